-- Order of a set's entries that no clock decides: the set's revision at the time. What is there is ordered as it came in.
ALTER TABLE reading ADD COLUMN log_order INT NOT NULL DEFAULT 0;

-- An entry that came in by a file carries the name of who brought it; whom the file names as its writer stands beside that.
ALTER TABLE journal_entry
  ADD COLUMN log_order INT NOT NULL DEFAULT 0,
  ADD COLUMN claimed_author VARCHAR(80) NULL;

CREATE TABLE log_order_once AS
  SELECT kind, shop_id, set_id, id, ROW_NUMBER() OVER (PARTITION BY shop_id, set_id ORDER BY received_at, kind, sequence) AS place
  FROM (SELECT 'R' AS kind, shop_id, set_id, id, received_at, sequence FROM reading
        UNION ALL SELECT 'J', shop_id, set_id, id, received_at, sequence FROM journal_entry) entries;

ALTER TABLE log_order_once ADD PRIMARY KEY (kind, shop_id, id);

UPDATE reading r JOIN log_order_once o ON o.kind = 'R' AND o.shop_id = r.shop_id AND o.id = r.id SET r.log_order = o.place;

UPDATE journal_entry j JOIN log_order_once o ON o.kind = 'J' AND o.shop_id = j.shop_id AND o.id = j.id SET j.log_order = o.place;

UPDATE bench_set b SET b.revision = GREATEST(b.revision, (SELECT COUNT(*) FROM log_order_once o WHERE o.shop_id = b.shop_id AND o.set_id = b.id));

DROP TABLE log_order_once;

-- What a picture shows of a person, and which bytes were handed over under its id.
ALTER TABLE photo
  ADD COLUMN shows_owner BOOLEAN NOT NULL DEFAULT FALSE,
  ADD COLUMN upload_hash CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NULL;

-- Tries to come in are also counted by shop; those from a device that has been in before are counted apart.
ALTER TABLE sign_in_try
  ADD COLUMN shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NULL,
  ADD COLUMN known_device BOOLEAN NOT NULL DEFAULT FALSE,
  ADD KEY sign_in_try_shop (shop_id, tried_at);

CREATE TABLE known_device (
  token_hash CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
  account_name VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  last_used DATETIME(6) NOT NULL,
  KEY known_device_account (account_name, last_used)
);

-- Failed tries, for the owner's eyes: counted by the hour, apart from what happened to accounts, so that a flood hides nothing.
CREATE TABLE sign_in_failure (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  name VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  address VARCHAR(60) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  since DATETIME(6) NOT NULL,
  last_at DATETIME(6) NOT NULL,
  wrong INT NOT NULL,
  shut_out INT NOT NULL,
  PRIMARY KEY (shop_id, name, address, since),
  CONSTRAINT sign_in_failure_shop FOREIGN KEY (shop_id) REFERENCES shop (id)
);

-- A passkey's answer counts once, though the question lies in the browser's cookie.
CREATE TABLE used_challenge (
  challenge_hash CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
  used_at DATETIME(6) NOT NULL
);

CREATE TABLE server_secret (
  name VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
  secret VARBINARY(64) NOT NULL
);
