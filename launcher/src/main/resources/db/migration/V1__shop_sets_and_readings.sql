-- Every table carries its shop. Ids are client-made UUIDs, so that a write sent twice is one row. Times are UTC.
-- References, units and hashes compare exactly: the default collation would take R7 for r7 and mΩ for MΩ.

CREATE TABLE shop (
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
  name VARCHAR(120) NOT NULL,
  time_zone VARCHAR(60) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  vocabulary VARCHAR(20) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  decimal_sign VARCHAR(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  line_volts DOUBLE NOT NULL,
  line_hertz DOUBLE NOT NULL,
  spread DOUBLE NOT NULL,
  doubt_margin DOUBLE NOT NULL,
  grid_rise_volts DOUBLE NOT NULL,
  watts_margin DOUBLE NOT NULL,
  drift_fraction DOUBLE NOT NULL,
  version INT NOT NULL DEFAULT 0,
  created_at DATETIME(6) NOT NULL
);

CREATE TABLE instrument (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  name VARCHAR(120) NOT NULL,
  meter VARCHAR(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  accuracy DOUBLE NOT NULL,
  retired BOOLEAN NOT NULL DEFAULT FALSE,
  version INT NOT NULL DEFAULT 0,
  PRIMARY KEY (shop_id, id),
  CONSTRAINT instrument_shop FOREIGN KEY (shop_id) REFERENCES shop (id)
);

CREATE TABLE bench_set (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  title VARCHAR(120) NOT NULL,
  ticket VARCHAR(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  place VARCHAR(80) NOT NULL,
  construction VARCHAR(30) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  waits_for VARCHAR(160) NOT NULL,
  modes VARCHAR(200) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  models TEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  line_volts DOUBLE NOT NULL,
  instrument_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NULL,
  mode VARCHAR(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  switched_on_at DATETIME(6) NULL,
  version INT NOT NULL DEFAULT 0,
  created_at DATETIME(6) NOT NULL,
  touched_at DATETIME(6) NOT NULL,
  PRIMARY KEY (shop_id, id),
  KEY bench_set_touched (shop_id, touched_at),
  CONSTRAINT bench_set_shop FOREIGN KEY (shop_id) REFERENCES shop (id)
);

CREATE TABLE part (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  set_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  reference VARCHAR(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  position INT NOT NULL,
  card TEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  version INT NOT NULL DEFAULT 0,
  PRIMARY KEY (shop_id, set_id, reference),
  CONSTRAINT part_set FOREIGN KEY (shop_id, set_id) REFERENCES bench_set (shop_id, id)
);

-- Several values of one part side by side; only ever added to.
CREATE TABLE part_value (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  set_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  reference VARCHAR(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  sequence BIGINT NOT NULL AUTO_INCREMENT UNIQUE,
  origin VARCHAR(20) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  value_si DOUBLE NOT NULL,
  source VARCHAR(120) NOT NULL,
  author VARCHAR(80) NOT NULL,
  entered_at DATETIME(6) NOT NULL,
  PRIMARY KEY (shop_id, id),
  KEY part_value_part (shop_id, set_id, reference),
  CONSTRAINT part_value_set FOREIGN KEY (shop_id, set_id) REFERENCES bench_set (shop_id, id)
);

CREATE TABLE socket_pin (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  set_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  socket VARCHAR(20) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  pin VARCHAR(10) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  position INT NOT NULL,
  tube_type VARCHAR(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  node VARCHAR(60) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  PRIMARY KEY (shop_id, set_id, socket, pin),
  CONSTRAINT socket_pin_set FOREIGN KEY (shop_id, set_id) REFERENCES bench_set (shop_id, id)
);

CREATE TABLE test_point (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  set_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  node VARCHAR(60) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  position INT NOT NULL,
  name VARCHAR(80) NOT NULL,
  socket VARCHAR(20) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  pin VARCHAR(10) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  hint VARCHAR(120) NOT NULL,
  PRIMARY KEY (shop_id, set_id, node),
  CONSTRAINT test_point_set FOREIGN KEY (shop_id, set_id) REFERENCES bench_set (shop_id, id)
);

CREATE TABLE sheet_value (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  set_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  node VARCHAR(60) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  reference_node VARCHAR(60) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  kind VARCHAR(20) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  mode VARCHAR(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  value_si DOUBLE NOT NULL,
  unit VARCHAR(10) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  line_volts DOUBLE NOT NULL,
  meter VARCHAR(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  position INT NOT NULL,
  PRIMARY KEY (shop_id, set_id, node, reference_node, kind, mode),
  CONSTRAINT sheet_value_set FOREIGN KEY (shop_id, set_id) REFERENCES bench_set (shop_id, id)
);

-- Append-only: corrections are further rows that name what they supersede.
CREATE TABLE reading (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  set_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  sequence BIGINT NOT NULL AUTO_INCREMENT UNIQUE,
  subject VARCHAR(60) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  reference_node VARCHAR(60) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  kind VARCHAR(20) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  value_si DOUBLE NOT NULL,
  unit VARCHAR(10) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  line_volts DOUBLE NOT NULL,
  meter VARCHAR(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  mode VARCHAR(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  minutes_on DOUBLE NULL,
  lifted VARCHAR(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  taken_at DATETIME(6) NOT NULL,
  received_at DATETIME(6) NOT NULL,
  source VARCHAR(120) NOT NULL,
  author VARCHAR(80) NOT NULL,
  note VARCHAR(500) NOT NULL,
  supersedes_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NULL,
  withdrawn BOOLEAN NOT NULL DEFAULT FALSE,
  PRIMARY KEY (shop_id, id),
  KEY reading_set (shop_id, set_id, sequence),
  CONSTRAINT reading_set_fk FOREIGN KEY (shop_id, set_id) REFERENCES bench_set (shop_id, id)
);
