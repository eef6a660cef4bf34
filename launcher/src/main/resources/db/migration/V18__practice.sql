-- Practice: an invented set is made again from its level and number; kept is only what somebody did with it.

CREATE TABLE practice (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  level VARCHAR(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  number BIGINT NOT NULL,
  author VARCHAR(80) NOT NULL,
  begun_at DATETIME(6) NOT NULL,
  over_at DATETIME(6) NULL,
  -- What the best way took, once it was worked out; empty when it did not get there.
  best_minutes DOUBLE NULL,
  PRIMARY KEY (shop_id, id),
  KEY practice_begun (shop_id, begun_at),
  CONSTRAINT practice_shop FOREIGN KEY (shop_id) REFERENCES shop (id)
);

CREATE TABLE practice_move (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  practice_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  number INT NOT NULL,
  -- Sent by the browser, so that a move that is sent twice is made once.
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  kind VARCHAR(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  subject VARCHAR(80) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  PRIMARY KEY (shop_id, practice_id, number),
  UNIQUE KEY practice_move_once (shop_id, practice_id, id),
  CONSTRAINT practice_move_of FOREIGN KEY (shop_id, practice_id) REFERENCES practice (shop_id, id)
);
