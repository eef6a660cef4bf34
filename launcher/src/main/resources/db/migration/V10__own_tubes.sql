-- Tube types a shop knows itself, or knows better than the table that ships with the application.

CREATE TABLE own_tube (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  name VARCHAR(20) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  -- Its rows in the open table's columns, a header line first.
  body TEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  PRIMARY KEY (shop_id, name),
  CONSTRAINT own_tube_shop FOREIGN KEY (shop_id) REFERENCES shop (id)
);
