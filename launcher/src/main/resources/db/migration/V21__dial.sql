-- How far a dial may be off.

ALTER TABLE shop ADD COLUMN dial_apart DOUBLE NOT NULL DEFAULT 0.01;
