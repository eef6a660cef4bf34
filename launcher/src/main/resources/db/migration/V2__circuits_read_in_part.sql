-- What could not be read of a circuit's file: one line each, the part's reference, a tab, and the sentence about it.

ALTER TABLE bench_set ADD COLUMN unread TEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL DEFAULT '';
