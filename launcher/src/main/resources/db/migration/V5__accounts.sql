-- Who may do what in which shop. A sign-in name is one person's on the whole server; its hash says how it was made.
CREATE TABLE account (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  name VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  shown_name VARCHAR(80) NOT NULL,
  role VARCHAR(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  password_hash VARCHAR(255) CHARACTER SET ascii COLLATE ascii_bin NULL,
  closed BOOLEAN NOT NULL DEFAULT FALSE,
  version INT NOT NULL DEFAULT 0,
  created_at DATETIME(6) NOT NULL,
  PRIMARY KEY (shop_id, id),
  UNIQUE KEY account_name (name),
  CONSTRAINT account_shop FOREIGN KEY (shop_id) REFERENCES shop (id)
);

-- What happened to accounts: append-only, for the owner's eyes.
CREATE TABLE account_event (
  sequence BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  happened_at DATETIME(6) NOT NULL,
  actor VARCHAR(80) NOT NULL,
  kind VARCHAR(30) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  subject VARCHAR(80) NOT NULL,
  address VARCHAR(60) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  KEY account_event_shop (shop_id, sequence),
  CONSTRAINT account_event_shop_fk FOREIGN KEY (shop_id) REFERENCES shop (id)
);

-- Tries to sign in that have not succeeded, counted across all nodes.
CREATE TABLE sign_in_try (
  sequence BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  address VARCHAR(60) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  tried_at DATETIME(6) NOT NULL,
  KEY sign_in_try_name (name, address, tried_at),
  KEY sign_in_try_address (address, tried_at)
);

-- The frameworks' own tables, as their documentation gives them.
CREATE TABLE SPRING_SESSION (
  PRIMARY_ID CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
  SESSION_ID CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  CREATION_TIME BIGINT NOT NULL,
  LAST_ACCESS_TIME BIGINT NOT NULL,
  MAX_INACTIVE_INTERVAL INT NOT NULL,
  EXPIRY_TIME BIGINT NOT NULL,
  PRINCIPAL_NAME VARCHAR(100),
  UNIQUE KEY SPRING_SESSION_IX1 (SESSION_ID),
  KEY SPRING_SESSION_IX2 (EXPIRY_TIME),
  KEY SPRING_SESSION_IX3 (PRINCIPAL_NAME)
);

CREATE TABLE SPRING_SESSION_ATTRIBUTES (
  SESSION_PRIMARY_ID CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  ATTRIBUTE_NAME VARCHAR(200) NOT NULL,
  ATTRIBUTE_BYTES BLOB NOT NULL,
  PRIMARY KEY (SESSION_PRIMARY_ID, ATTRIBUTE_NAME),
  CONSTRAINT SPRING_SESSION_ATTRIBUTES_FK FOREIGN KEY (SESSION_PRIMARY_ID) REFERENCES SPRING_SESSION (PRIMARY_ID) ON DELETE CASCADE
);

CREATE TABLE one_time_tokens (
  token_value VARCHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
  username VARCHAR(50) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  expires_at DATETIME(6) NOT NULL
);

CREATE TABLE user_entities (
  id VARCHAR(1000) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
  name VARCHAR(100) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  display_name VARCHAR(200)
);

CREATE TABLE user_credentials (
  credential_id VARCHAR(1000) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
  user_entity_user_id VARCHAR(1000) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  public_key BLOB NOT NULL,
  signature_count BIGINT,
  uv_initialized BOOLEAN,
  backup_eligible BOOLEAN NOT NULL,
  authenticator_transports VARCHAR(1000),
  public_key_credential_type VARCHAR(100),
  backup_state BOOLEAN NOT NULL,
  attestation_object BLOB,
  attestation_client_data_json BLOB,
  created DATETIME(6),
  last_used DATETIME(6),
  label VARCHAR(1000) NOT NULL
);
