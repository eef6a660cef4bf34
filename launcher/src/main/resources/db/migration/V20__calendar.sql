-- Links by which a calendar fetches what a shop's sets wait for. Only what recognises a link is kept, never the link.
CREATE TABLE calendar_link (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  token_hash CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  account_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  created_at DATETIME(6) NOT NULL,
  PRIMARY KEY (shop_id, account_id),
  UNIQUE KEY calendar_link_token (token_hash),
  CONSTRAINT calendar_link_shop FOREIGN KEY (shop_id) REFERENCES shop (id)
);
