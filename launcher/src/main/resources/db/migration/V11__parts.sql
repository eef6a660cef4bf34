-- How parts are judged and renewed, and the schools a shop follows: names with commas between, one to each question.

ALTER TABLE shop
  ADD COLUMN capacitance_low DOUBLE NOT NULL DEFAULT 0.7,
  ADD COLUMN capacitance_open DOUBLE NOT NULL DEFAULT 0.1,
  ADD COLUMN capacitance_high DOUBLE NOT NULL DEFAULT 1.5,
  ADD COLUMN proof_share DOUBLE NOT NULL DEFAULT 0.7,
  ADD COLUMN leak_per_cv DOUBLE NOT NULL DEFAULT 0.03,
  ADD COLUMN leak_base DOUBLE NOT NULL DEFAULT 0.00002,
  ADD COLUMN usable_times DOUBLE NOT NULL DEFAULT 5,
  ADD COLUMN leak_watts DOUBLE NOT NULL DEFAULT 0.3,
  ADD COLUMN loss_angle DOUBLE NOT NULL DEFAULT 0.25,
  ADD COLUMN dry_least_ohms DOUBLE NOT NULL DEFAULT 10000000,
  ADD COLUMN tube_band DOUBLE NOT NULL DEFAULT 0.1,
  ADD COLUMN lot_share DOUBLE NOT NULL DEFAULT 0.5,
  ADD COLUMN schools VARCHAR(600) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT '';
