-- One table for the events of all subjects, and the receipts that chain them job by job. The events of before are carried over as they were
-- hashed (version 1); the two tables that they come from stay as they are and nobody writes to them.

-- step: record-event
CREATE TABLE IF NOT EXISTS record_event (
  id CHAR(36) NOT NULL PRIMARY KEY,
  version TINYINT UNSIGNED NOT NULL,
  job_id INT UNSIGNED NOT NULL,
  subject_kind ENUM('termination','crossing') NOT NULL,
  subject_id INT UNSIGNED NOT NULL,
  subject VARCHAR(60) NOT NULL,
  seq INT UNSIGNED NOT NULL,
  step_id VARCHAR(60) NOT NULL,
  kind VARCHAR(20) NOT NULL,
  actor VARCHAR(60) NOT NULL,
  at VARCHAR(30) NOT NULL,
  received_at DATETIME(3) NOT NULL,
  body LONGTEXT NOT NULL,
  plan_hash CHAR(64) NOT NULL,
  prev_hash CHAR(64) NOT NULL,
  hash CHAR(64) NOT NULL,
  UNIQUE KEY record_event_order (subject_kind, subject_id, seq),
  KEY record_event_of_job (job_id),
  FOREIGN KEY (job_id) REFERENCES job (id)
) ENGINE=InnoDB;

-- step: record-event-of-terminations
INSERT IGNORE INTO record_event
SELECT e.id, 1, c.job_id, 'termination', e.termination_id, JSON_VALUE(e.body, '$.termination'), e.seq, e.step_id, e.kind, e.actor, e.at,
  e.received_at, COALESCE(JSON_EXTRACT(e.body, '$.body'), 'null'), e.plan_hash, e.prev_hash, e.hash
FROM bench_event e JOIN termination t ON t.id = e.termination_id JOIN cable c ON c.id = t.cable_id;

-- step: record-event-of-crossings
INSERT IGNORE INTO record_event
SELECT e.id, 1, x.job_id, 'crossing', e.crossing_id, JSON_VALUE(e.body, '$.termination'), e.seq, e.step_id, e.kind, e.actor, e.at,
  e.received_at, COALESCE(JSON_EXTRACT(e.body, '$.body'), 'null'), e.plan_hash, e.prev_hash, e.hash
FROM crossing_event e JOIN crossing x ON x.id = e.crossing_id;

-- step: record-event-no-update
CREATE OR REPLACE TRIGGER record_event_no_update BEFORE UPDATE ON record_event FOR EACH ROW
  SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'the record is append-only';

-- step: record-event-no-delete
CREATE OR REPLACE TRIGGER record_event_no_delete BEFORE DELETE ON record_event FOR EACH ROW
  SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'the record is append-only';

-- step: record-receipt
CREATE TABLE IF NOT EXISTS record_receipt (
  job_id INT UNSIGNED NOT NULL,
  number INT UNSIGNED NOT NULL,
  job VARCHAR(40) NOT NULL,
  subject_kind ENUM('termination','crossing') NOT NULL,
  subject_id INT UNSIGNED NOT NULL,
  subject VARCHAR(60) NOT NULL,
  seq INT UNSIGNED NOT NULL,
  event_hash CHAR(64) NOT NULL,
  prev_head CHAR(64) NOT NULL,
  head CHAR(64) NOT NULL,
  signature VARCHAR(120) NOT NULL,
  key_id CHAR(16) NOT NULL,
  made_at DATETIME(3) NOT NULL,
  PRIMARY KEY (job_id, number),
  UNIQUE KEY record_receipt_once (subject_kind, subject_id, seq),
  FOREIGN KEY (job_id) REFERENCES job (id)
) ENGINE=InnoDB;

-- step: record-receipt-no-update
CREATE OR REPLACE TRIGGER record_receipt_no_update BEFORE UPDATE ON record_receipt FOR EACH ROW
  SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'the record is append-only';

-- step: record-receipt-no-delete
CREATE OR REPLACE TRIGGER record_receipt_no_delete BEFORE DELETE ON record_receipt FOR EACH ROW
  SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'the record is append-only';
