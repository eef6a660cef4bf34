-- How a set that has its voltages is judged.

ALTER TABLE shop
  ADD COLUMN speed_apart DOUBLE NOT NULL DEFAULT 0.015,
  ADD COLUMN wow_most DOUBLE NOT NULL DEFAULT 0.004;
