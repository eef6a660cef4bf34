-- One shopping list for all sets that are put on it; what was ordered, and what of it came.

CREATE TABLE listed_set (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  set_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  PRIMARY KEY (shop_id, set_id),
  CONSTRAINT listed_set_of FOREIGN KEY (shop_id, set_id) REFERENCES bench_set (shop_id, id) ON DELETE CASCADE
);

-- How many of an item the shop wants to lie in its drawer beside what its sets need.
CREATE TABLE spare_wanted (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  item VARCHAR(120) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  quantity INT NOT NULL,
  PRIMARY KEY (shop_id, item),
  CONSTRAINT spare_wanted_shop FOREIGN KEY (shop_id) REFERENCES shop (id)
);

CREATE TABLE part_order (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  item VARCHAR(120) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  quantity INT NOT NULL,
  price DECIMAL(12,2) NULL,
  ordered_at DATETIME(6) NOT NULL,
  author VARCHAR(80) NOT NULL,
  PRIMARY KEY (shop_id, id),
  KEY part_order_item (shop_id, item),
  CONSTRAINT part_order_shop FOREIGN KEY (shop_id) REFERENCES shop (id)
);

-- What came of an order, or that no more of it will; never changed.
CREATE TABLE part_arrival (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  order_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  quantity INT NOT NULL,
  came BOOLEAN NOT NULL,
  at DATETIME(6) NOT NULL,
  author VARCHAR(80) NOT NULL,
  PRIMARY KEY (shop_id, id),
  KEY part_arrival_of (shop_id, order_id),
  CONSTRAINT part_arrival_order FOREIGN KEY (shop_id, order_id) REFERENCES part_order (shop_id, id)
);
