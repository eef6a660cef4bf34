-- One list of instruments, each with all it does and how far it reaches. The lists it is filled from stay until a later version.
CREATE TABLE bench_instrument (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  name VARCHAR(120) NOT NULL,
  retired BOOLEAN NOT NULL DEFAULT FALSE,
  version INT NOT NULL DEFAULT 0,
  PRIMARY KEY (shop_id, id),
  CONSTRAINT bench_instrument_shop FOREIGN KEY (shop_id) REFERENCES shop (id)
);

-- Of what nobody said, nothing is kept: an empty limit bounds nothing.
CREATE TABLE instrument_ability (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  instrument_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  kind VARCHAR(30) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  input VARCHAR(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NULL,
  accuracy DOUBLE NULL,
  highest DOUBLE NULL,
  test_volts VARCHAR(120) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT '',
  output_ohms DOUBLE NULL,
  response VARCHAR(12) CHARACTER SET ascii COLLATE ascii_bin NULL,
  PRIMARY KEY (shop_id, instrument_id, kind),
  CONSTRAINT instrument_ability_of FOREIGN KEY (shop_id, instrument_id) REFERENCES bench_instrument (shop_id, id)
);

INSERT INTO bench_instrument (shop_id, id, name, retired, version)
SELECT shop_id, id, name, retired, version FROM instrument;

INSERT INTO instrument_ability (shop_id, instrument_id, kind, input, accuracy)
SELECT shop_id, id, 'VOLTMETER', meter, accuracy FROM instrument;

-- A voltmeter that only stood in the second list, without its input, says nothing where the first has one.
INSERT INTO bench_instrument (shop_id, id, name, retired, version)
SELECT e.shop_id, e.id, e.name, e.retired, e.version
FROM equipment e
LEFT JOIN instrument same ON same.shop_id = e.shop_id AND same.id = e.id
WHERE same.id IS NULL
  AND (e.kind <> 'VOLTMETER'
       OR EXISTS (SELECT 1 FROM equipment_check k WHERE k.shop_id = e.shop_id AND k.equipment_id = e.id)
       OR NOT EXISTS (SELECT 1 FROM instrument i WHERE i.shop_id = e.shop_id));

INSERT IGNORE INTO instrument_ability (shop_id, instrument_id, kind)
SELECT e.shop_id, e.id, e.kind
FROM equipment e
JOIN bench_instrument b ON b.shop_id = e.shop_id AND b.id = e.id;

CREATE TABLE control_reading (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  instrument_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  kind VARCHAR(30) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  part VARCHAR(120) NOT NULL,
  unit VARCHAR(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  known DOUBLE NOT NULL,
  shown DOUBLE NOT NULL,
  taken_at DATETIME(6) NOT NULL,
  author VARCHAR(80) NOT NULL,
  PRIMARY KEY (shop_id, id),
  KEY control_reading_of (shop_id, instrument_id, taken_at),
  CONSTRAINT control_reading_instrument FOREIGN KEY (shop_id, instrument_id) REFERENCES bench_instrument (shop_id, id)
);

INSERT INTO control_reading (shop_id, id, instrument_id, kind, part, unit, known, shown, taken_at, author)
SELECT k.shop_id, k.id, k.equipment_id, e.kind, k.part, k.unit, k.known, k.shown, k.taken_at, k.author
FROM equipment_check k
JOIN equipment e ON e.shop_id = k.shop_id AND e.id = k.equipment_id;

-- What lies in the drawers. A count is never written over: it is what all moves add up to.
CREATE TABLE stock_item (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  kind VARCHAR(20) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  name VARCHAR(120) NOT NULL,
  place VARCHAR(80) NOT NULL DEFAULT '',
  body TEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  PRIMARY KEY (shop_id, id),
  CONSTRAINT stock_item_shop FOREIGN KEY (shop_id) REFERENCES shop (id)
);

CREATE TABLE stock_move (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  sequence BIGINT NOT NULL AUTO_INCREMENT UNIQUE,
  item_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  quantity INT NOT NULL,
  reason VARCHAR(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  set_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NULL,
  note VARCHAR(200) NOT NULL DEFAULT '',
  moved_at DATETIME(6) NOT NULL,
  author VARCHAR(80) NOT NULL,
  PRIMARY KEY (shop_id, id),
  KEY stock_move_of (shop_id, item_id, sequence),
  CONSTRAINT stock_move_item FOREIGN KEY (shop_id, item_id) REFERENCES stock_item (shop_id, id),
  CONSTRAINT stock_move_set FOREIGN KEY (shop_id, set_id) REFERENCES bench_set (shop_id, id)
);

INSERT INTO stock_item (shop_id, id, kind, name, body)
SELECT shop_id, id, 'TRANSFORMER', name,
       JSON_OBJECT('va', va, 'highVolts', high_volts, 'amperes', amperes, 'centreTap', centre_tap,
                   'heaterVolts', heater_volts, 'heaterAmperes', heater_amperes,
                   'rectifierVolts', rectifier_volts, 'rectifierAmperes', rectifier_amperes)
FROM stock_transformer;

-- Each of them was one transformer; when it went nobody wrote down.
INSERT INTO stock_move (shop_id, id, item_id, quantity, reason, note, moved_at, author)
SELECT shop_id, id, id, 1, 'COUNTED', '', UTC_TIMESTAMP(6), '' FROM stock_transformer;

INSERT INTO stock_move (shop_id, id, item_id, quantity, reason, note, moved_at, author)
SELECT shop_id, CONVERT(INSERT(INSERT(INSERT(INSERT(MD5(CONCAT('gone-', id)), 9, 0, '-'), 14, 0, '-'), 19, 0, '-'), 24, 0, '-') USING ascii) COLLATE ascii_bin,
       id, -1, 'COUNTED', '', UTC_TIMESTAMP(6), ''
FROM stock_transformer WHERE gone;
