-- What a shop buys beside what ships, what it does not buy, and what it pays.

CREATE TABLE catalogue_item (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  name VARCHAR(120) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  -- Cells by the open table's columns, as JSON.
  body TEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  PRIMARY KEY (shop_id, name),
  CONSTRAINT catalogue_item_shop FOREIGN KEY (shop_id) REFERENCES shop (id)
);

-- Of one, under the name it is ordered by; in the shop's money.
CREATE TABLE item_price (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  item VARCHAR(120) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  price DECIMAL(12,2) NOT NULL,
  PRIMARY KEY (shop_id, item),
  CONSTRAINT item_price_shop FOREIGN KEY (shop_id) REFERENCES shop (id)
);
