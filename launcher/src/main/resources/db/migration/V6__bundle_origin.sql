-- Which set a bundle was once written from, so that the same set comes into a shop only once.
CREATE TABLE bundle_origin (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  set_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  origin_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  PRIMARY KEY (shop_id, origin_id),
  KEY bundle_origin_set (shop_id, set_id),
  CONSTRAINT bundle_origin_set_fk FOREIGN KEY (shop_id, set_id) REFERENCES bench_set (shop_id, id)
);
