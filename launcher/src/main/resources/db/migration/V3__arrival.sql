-- Taking a set in: its owner and supply label, its journal, its photographs and what is marked on them.

ALTER TABLE shop
  ADD COLUMN heater_over DOUBLE NOT NULL DEFAULT 0.10,
  ADD COLUMN va_headroom DOUBLE NOT NULL DEFAULT 1.25,
  ADD COLUMN hour_rate DOUBLE NOT NULL DEFAULT 40,
  ADD COLUMN money VARCHAR(10) NOT NULL DEFAULT '$';

-- Taps and frequencies as numbers with blanks between them; the revision counts every change of the set.
ALTER TABLE bench_set
  ADD COLUMN owner_name VARCHAR(120) NOT NULL DEFAULT '',
  ADD COLUMN owner_contact VARCHAR(200) NOT NULL DEFAULT '',
  ADD COLUMN extras VARCHAR(60) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT '',
  ADD COLUMN label_taps VARCHAR(120) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT '',
  ADD COLUMN label_set_to DOUBLE NULL,
  ADD COLUMN label_hertz VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT '',
  ADD COLUMN label_watts DOUBLE NULL,
  ADD COLUMN label_current VARCHAR(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT 'UNKNOWN',
  ADD COLUMN label_motor BOOLEAN NOT NULL DEFAULT FALSE,
  ADD COLUMN plate VARCHAR(300) NOT NULL DEFAULT '',
  ADD COLUMN sheet_origin VARCHAR(160) NOT NULL DEFAULT '',
  ADD COLUMN revision INT NOT NULL DEFAULT 0;

-- Append-only: corrections are further rows that name what they supersede.
CREATE TABLE journal_entry (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  set_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  sequence BIGINT NOT NULL AUTO_INCREMENT UNIQUE,
  kind VARCHAR(30) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  body TEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  sentence VARCHAR(1500) NOT NULL,
  taken_at DATETIME(6) NOT NULL,
  received_at DATETIME(6) NOT NULL,
  author VARCHAR(80) NOT NULL,
  supersedes_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NULL,
  withdrawn BOOLEAN NOT NULL DEFAULT FALSE,
  PRIMARY KEY (shop_id, id),
  KEY journal_entry_set (shop_id, set_id, sequence),
  CONSTRAINT journal_entry_set_fk FOREIGN KEY (shop_id, set_id) REFERENCES bench_set (shop_id, id)
);

CREATE TABLE photo (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  set_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  sequence BIGINT NOT NULL AUTO_INCREMENT UNIQUE,
  shows VARCHAR(20) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  phase VARCHAR(20) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  caption VARCHAR(200) NOT NULL,
  file_name VARCHAR(120) NOT NULL,
  page INT NOT NULL,
  width INT NOT NULL,
  height INT NOT NULL,
  shot_at DATETIME(6) NULL,
  received_at DATETIME(6) NOT NULL,
  author VARCHAR(80) NOT NULL,
  before_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NULL,
  removed BOOLEAN NOT NULL DEFAULT FALSE,
  version INT NOT NULL DEFAULT 0,
  PRIMARY KEY (shop_id, id),
  KEY photo_set (shop_id, set_id, sequence),
  CONSTRAINT photo_set_fk FOREIGN KEY (shop_id, set_id) REFERENCES bench_set (shop_id, id)
);

-- Apart from their descriptions, so that lists never read through pictures.
CREATE TABLE photo_bytes (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  photo_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  size VARCHAR(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  media_type VARCHAR(30) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  bytes LONGBLOB NOT NULL,
  PRIMARY KEY (shop_id, photo_id, size),
  CONSTRAINT photo_bytes_photo FOREIGN KEY (shop_id, photo_id) REFERENCES photo (shop_id, id)
);

-- Where a part or a test point is on a picture; fractions of its width and height.
CREATE TABLE map_mark (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  photo_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  subject VARCHAR(60) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  set_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  x DOUBLE NOT NULL,
  y DOUBLE NOT NULL,
  PRIMARY KEY (shop_id, photo_id, subject),
  KEY map_mark_set (shop_id, set_id),
  CONSTRAINT map_mark_photo FOREIGN KEY (shop_id, photo_id) REFERENCES photo (shop_id, id)
);

-- What the shelf says of a set, kept as long as neither the set nor the shop's rules change.
CREATE TABLE set_summary (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  set_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  revision INT NOT NULL,
  rules VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  points INT NOT NULL,
  taken INT NOT NULL,
  wrong INT NOT NULL,
  doubtful INT NOT NULL,
  stops INT NOT NULL,
  next_title VARCHAR(400) NOT NULL,
  next_powered BOOLEAN NOT NULL,
  PRIMARY KEY (shop_id, set_id),
  CONSTRAINT set_summary_set FOREIGN KEY (shop_id, set_id) REFERENCES bench_set (shop_id, id)
);

-- Everything a set says, in lower case, for the search; made anew when the set has changed since.
CREATE TABLE set_words (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  set_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  revision INT NOT NULL,
  words MEDIUMTEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  PRIMARY KEY (shop_id, set_id),
  CONSTRAINT set_words_set FOREIGN KEY (shop_id, set_id) REFERENCES bench_set (shop_id, id)
);
