-- Runs whose samples come one after another for hours: they are no entries of the log, and raise no set's revision.

CREATE TABLE series (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  set_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  kind VARCHAR(20) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  part VARCHAR(60) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  -- How it is set up, as JSON.
  body TEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  started_at DATETIME(6) NOT NULL,
  ended_at DATETIME(6) NULL,
  ending VARCHAR(200) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL DEFAULT '',
  author VARCHAR(80) NOT NULL,
  PRIMARY KEY (shop_id, id),
  KEY series_of_set (shop_id, set_id, started_at),
  CONSTRAINT series_set FOREIGN KEY (shop_id, set_id) REFERENCES bench_set (shop_id, id)
);

-- Samples by the line, in chunks that are only added to: seconds, and the figures of the series' kind.
CREATE TABLE series_chunk (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  series_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  number INT NOT NULL,
  samples INT NOT NULL,
  body MEDIUMTEXT CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  PRIMARY KEY (shop_id, series_id, number),
  CONSTRAINT series_chunk_of FOREIGN KEY (shop_id, series_id) REFERENCES series (shop_id, id)
);

ALTER TABLE shop
  ADD COLUMN reform_seconds DOUBLE NOT NULL DEFAULT 2400;
