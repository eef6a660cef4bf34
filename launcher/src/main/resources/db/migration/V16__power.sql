-- Sets that are brought up under watch. A run's plan is frozen as JSON, so that it is judged by what it was begun with;
-- what happens in it is only added to, each entry with its number, which is also where a screen's stream goes on.

CREATE TABLE power_run (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  set_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  state VARCHAR(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  feed VARCHAR(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  plan MEDIUMTEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  isolated BOOLEAN NOT NULL,
  step INT NOT NULL DEFAULT 0,
  entries INT NOT NULL DEFAULT 0,
  started_at DATETIME(6) NOT NULL,
  ended_at DATETIME(6) NULL,
  ending VARCHAR(400) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL DEFAULT '',
  author VARCHAR(80) NOT NULL,
  -- The process that reads the instruments of this run, and until when nobody else may.
  lease VARCHAR(60) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT '',
  lease_until DATETIME(6) NULL,
  PRIMARY KEY (shop_id, id),
  KEY power_run_of_set (shop_id, set_id, started_at),
  KEY power_run_going (state),
  CONSTRAINT power_run_set FOREIGN KEY (shop_id, set_id) REFERENCES bench_set (shop_id, id)
);

CREATE TABLE power_entry (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  run_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  number INT NOT NULL,
  seconds DOUBLE NOT NULL,
  kind VARCHAR(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  body TEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  PRIMARY KEY (shop_id, run_id, number),
  CONSTRAINT power_entry_of FOREIGN KEY (shop_id, run_id) REFERENCES power_run (shop_id, id)
);

-- Instruments that are spoken to over the network.
CREATE TABLE instrument_link (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  name VARCHAR(80) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  host VARCHAR(80) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  port INT NOT NULL,
  profile VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  PRIMARY KEY (shop_id, id),
  CONSTRAINT instrument_link_shop FOREIGN KEY (shop_id) REFERENCES shop (id)
);
