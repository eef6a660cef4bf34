-- What of the set was not as drawn during a run: a lead lifted, a tube out.
ALTER TABLE power_run ADD COLUMN without_parts VARCHAR(300) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL DEFAULT '';
