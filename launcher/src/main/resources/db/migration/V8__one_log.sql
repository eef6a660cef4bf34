-- One log for all that was read, seen, said, done and decided. The tables it is filled from stay until a later version.
CREATE TABLE evidence (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  set_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  sequence BIGINT NOT NULL AUTO_INCREMENT UNIQUE,
  log_order INT NOT NULL,
  kind VARCHAR(30) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  form INT NOT NULL,
  body MEDIUMTEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  sentence VARCHAR(1500) NOT NULL,
  note VARCHAR(500) NOT NULL,
  source VARCHAR(120) NOT NULL,
  taken_at DATETIME(6) NOT NULL,
  received_at DATETIME(6) NOT NULL,
  author VARCHAR(80) NOT NULL,
  claimed_author VARCHAR(80) NULL,
  supersedes_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NULL,
  withdrawn BOOLEAN NOT NULL DEFAULT FALSE,
  PRIMARY KEY (shop_id, id),
  KEY evidence_set (shop_id, set_id, log_order, sequence),
  CONSTRAINT evidence_set_fk FOREIGN KEY (shop_id, set_id) REFERENCES bench_set (shop_id, id)
);

-- A reading and an entry of the journal could bear one id, since each had a table of its own; the entry then gets another.
INSERT INTO evidence (shop_id, id, set_id, log_order, kind, form, body, sentence, note, source, taken_at, received_at,
                      author, claimed_author, supersedes_id, withdrawn)
SELECT shop_id, id, set_id, log_order, kind, 1, body, sentence, note, source, taken_at, received_at,
       author, claimed_author, supersedes_id, withdrawn
FROM (
  SELECT r.shop_id, r.id, r.set_id, r.log_order, r.sequence, 0 AS second_table, 'reading' AS kind,
         JSON_OBJECT('subject', r.subject, 'reference', r.reference_node, 'kind', r.kind, 'value', r.value_si,
                     'lineVolts', r.line_volts, 'meter', r.meter, 'mode', r.mode, 'minutesOn', r.minutes_on,
                     'lifted', r.lifted) AS body,
         '' AS sentence, r.note, r.source, r.taken_at, r.received_at, r.author, NULL AS claimed_author,
         r.supersedes_id, r.withdrawn
  FROM reading r
  UNION ALL
  SELECT j.shop_id,
         CASE WHEN same.id IS NULL THEN j.id ELSE CONVERT(INSERT(INSERT(INSERT(INSERT(MD5(CONCAT('entry-', j.id)), 9, 0, '-'), 14, 0, '-'), 19, 0, '-'), 24, 0, '-') USING ascii) COLLATE ascii_bin END,
         j.set_id, j.log_order, j.sequence, 1,
         CASE j.kind WHEN 'Benched' THEN 'cold-figures' WHEN 'TakenOff' THEN 'taken-off' WHEN 'PutBack' THEN 'put-back'
                     WHEN 'Closed' THEN 'closed' WHEN 'ControlFound' THEN 'control-found' WHEN 'Looked' THEN 'looked'
                     WHEN 'Told' THEN 'told' WHEN 'TaskDone' THEN 'task-done' WHEN 'PartReplaced' THEN 'part-replaced'
                     WHEN 'Proved' THEN 'part-tested' WHEN 'WorthSaid' THEN 'worth' WHEN 'Remark' THEN 'remark'
                     ELSE j.kind END,
         j.body, j.sentence, '', '', j.taken_at, j.received_at, j.author, j.claimed_author,
         CASE WHEN before_it.id IS NULL THEN j.supersedes_id ELSE CONVERT(INSERT(INSERT(INSERT(INSERT(MD5(CONCAT('entry-', j.supersedes_id)), 9, 0, '-'), 14, 0, '-'), 19, 0, '-'), 24, 0, '-') USING ascii) COLLATE ascii_bin END,
         j.withdrawn
  FROM journal_entry j
  LEFT JOIN reading same ON same.shop_id = j.shop_id AND same.id = j.id
  LEFT JOIN reading before_it ON before_it.shop_id = j.shop_id AND before_it.id = j.supersedes_id
) entries
ORDER BY shop_id, set_id, log_order, second_table, sequence;

-- Whose values they are: the set's own, as usually built, or a near relative's. Only the set's own are evidence.
ALTER TABLE part ADD COLUMN origin VARCHAR(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT 'OWN';

ALTER TABLE sheet_value ADD COLUMN origin VARCHAR(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT 'OWN';

UPDATE part p JOIN bench_set b ON b.shop_id = p.shop_id AND b.id = p.set_id
SET p.origin = CASE WHEN b.sheet_origin LIKE 'usual values of the class%' THEN 'USUAL' ELSE 'RELATIVE' END
WHERE b.sheet_origin LIKE 'usual values of the class%' OR b.sheet_origin LIKE 'from a near relative%';

UPDATE sheet_value v JOIN bench_set b ON b.shop_id = v.shop_id AND b.id = v.set_id
SET v.origin = CASE WHEN b.sheet_origin LIKE 'usual values of the class%' THEN 'USUAL' ELSE 'RELATIVE' END
WHERE b.sheet_origin LIKE 'usual values of the class%' OR b.sheet_origin LIKE 'from a near relative%';

-- The circuit has a revision of its own: a further entry of the log leaves it as it is. What a set waits for has a day.
ALTER TABLE bench_set
  ADD COLUMN circuit_revision INT NOT NULL DEFAULT 0,
  ADD COLUMN construction_confirmed BOOLEAN NOT NULL DEFAULT FALSE,
  ADD COLUMN label_ranged BOOLEAN NOT NULL DEFAULT FALSE,
  ADD COLUMN waits_until DATE NULL,
  ADD COLUMN promised_for DATE NULL;

-- A shop with an ohmmeter has a voltmeter, which alone proves a capacitor empty.
INSERT INTO equipment (shop_id, id, kind, name) SELECT id, UUID(), 'VOLTMETER', 'Digital meter, DC volts' FROM shop;

-- Money is counted, not measured. House limits that stood in the program.
ALTER TABLE shop
  ADD COLUMN hour_money DECIMAL(12,2) NOT NULL DEFAULT 40,
  ADD COLUMN usual_spread DOUBLE NOT NULL DEFAULT 0.30,
  ADD COLUMN load_apart DOUBLE NOT NULL DEFAULT 0.20,
  ADD COLUMN proportion_apart DOUBLE NOT NULL DEFAULT 0.03,
  ADD COLUMN instrument_trust DOUBLE NOT NULL DEFAULT 0.05,
  ADD COLUMN injection_volts DOUBLE NOT NULL DEFAULT 30,
  ADD COLUMN copper_doubtful_celsius DOUBLE NOT NULL DEFAULT 85,
  ADD COLUMN copper_most_celsius DOUBLE NOT NULL DEFAULT 105;

UPDATE shop SET hour_money = LEAST(GREATEST(ROUND(hour_rate, 2), 0), 9999999999.99);

-- How far in its log a person has seen a set.
CREATE TABLE last_look (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  set_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  person VARCHAR(80) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  log_order INT NOT NULL,
  looked_at DATETIME(6) NOT NULL,
  PRIMARY KEY (shop_id, set_id, person),
  CONSTRAINT last_look_set FOREIGN KEY (shop_id, set_id) REFERENCES bench_set (shop_id, id)
);

-- What the shelf says of a set, kept as long as neither the set nor the shop's rules change; takes the place of set_summary.
CREATE TABLE set_standing (
  shop_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  set_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  revision INT NOT NULL,
  rules VARCHAR(60) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  body TEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  PRIMARY KEY (shop_id, set_id),
  CONSTRAINT set_standing_set FOREIGN KEY (shop_id, set_id) REFERENCES bench_set (shop_id, id)
);
