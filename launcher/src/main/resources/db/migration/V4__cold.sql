-- The cold bench: what the shop can measure with, readings on known-good parts, and transformers in stock.

ALTER TABLE shop
  ADD COLUMN safe_volts DOUBLE NOT NULL DEFAULT 30,
  ADD COLUMN bleed_ohms DOUBLE NOT NULL DEFAULT 10000,
  ADD COLUMN insulation_ohms DOUBLE NOT NULL DEFAULT 10000000,
  ADD COLUMN touch_amperes DOUBLE NOT NULL DEFAULT 0.0005,
  ADD COLUMN halves_apart DOUBLE NOT NULL DEFAULT 0.15;

CREATE TABLE equipment (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  kind VARCHAR(30) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  name VARCHAR(120) NOT NULL,
  retired BOOLEAN NOT NULL DEFAULT FALSE,
  version INT NOT NULL DEFAULT 0,
  PRIMARY KEY (shop_id, id),
  CONSTRAINT equipment_shop FOREIGN KEY (shop_id) REFERENCES shop (id)
);

-- Append-only: what an instrument showed on a part known to be good.
CREATE TABLE equipment_check (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  equipment_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  part VARCHAR(120) NOT NULL,
  unit VARCHAR(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  known DOUBLE NOT NULL,
  shown DOUBLE NOT NULL,
  taken_at DATETIME(6) NOT NULL,
  author VARCHAR(80) NOT NULL,
  PRIMARY KEY (shop_id, id),
  KEY equipment_check_of (shop_id, equipment_id, taken_at),
  CONSTRAINT equipment_check_equipment FOREIGN KEY (shop_id, equipment_id) REFERENCES equipment (shop_id, id)
);

CREATE TABLE stock_transformer (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  name VARCHAR(120) NOT NULL,
  va DOUBLE NOT NULL,
  high_volts DOUBLE NOT NULL,
  amperes DOUBLE NOT NULL,
  centre_tap VARCHAR(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  heater_volts DOUBLE NOT NULL,
  heater_amperes DOUBLE NOT NULL,
  rectifier_volts DOUBLE NOT NULL,
  rectifier_amperes DOUBLE NOT NULL,
  gone BOOLEAN NOT NULL DEFAULT FALSE,
  PRIMARY KEY (shop_id, id),
  CONSTRAINT stock_transformer_shop FOREIGN KEY (shop_id) REFERENCES shop (id)
);

-- A shop that is open already has an ohmmeter and a meter with a diode range at the least.
INSERT INTO equipment (shop_id, id, kind, name) SELECT id, UUID(), 'OHMMETER', 'Digital meter, ohms' FROM shop;
INSERT INTO equipment (shop_id, id, kind, name) SELECT id, UUID(), 'DIODE_TEST', 'Digital meter, diode range' FROM shop;
INSERT INTO equipment (shop_id, id, kind, name) SELECT id, UUID(), 'AC_METER', 'Digital meter, AC volts' FROM shop;
INSERT INTO equipment (shop_id, id, kind, name) SELECT id, UUID(), 'DISCHARGE_TOOL', 'Discharge resistor with clips' FROM shop;
