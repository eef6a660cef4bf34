-- Which paper circuit and sheet were taken from: its title and revision, and where it came from.
ALTER TABLE bench_set
  ADD COLUMN paper VARCHAR(200) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL DEFAULT '';
