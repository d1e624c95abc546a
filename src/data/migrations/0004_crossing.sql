-- Crossings: what goes through a wall, the plans made for it, and the record of its building.

-- step: crossing
CREATE TABLE IF NOT EXISTS crossing (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  job_id INT UNSIGNED NOT NULL,
  name VARCHAR(40) NOT NULL,
  setup JSON NOT NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  UNIQUE KEY crossing_once (job_id, name),
  FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT crossing_name_has_no_slash CHECK (INSTR(name, '/') = 0)
) ENGINE=InnoDB;

-- step: crossing-plan
CREATE TABLE IF NOT EXISTS crossing_plan (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  crossing_id INT UNSIGNED NOT NULL,
  kind ENUM('planned','asBuilt') NOT NULL,
  plan_hash CHAR(64) NOT NULL,
  request_hash CHAR(64) NOT NULL,
  note VARCHAR(200) NOT NULL DEFAULT '',
  request JSON NOT NULL,
  body JSON NOT NULL,
  actor VARCHAR(60) NOT NULL,
  made_at DATETIME(3) NOT NULL,
  KEY crossing_plan_latest (crossing_id, id),
  FOREIGN KEY (crossing_id) REFERENCES crossing (id)
) ENGINE=InnoDB;

-- step: crossing-event
CREATE TABLE IF NOT EXISTS crossing_event (
  id CHAR(36) NOT NULL PRIMARY KEY,
  crossing_id INT UNSIGNED NOT NULL,
  seq INT UNSIGNED NOT NULL,
  step_id VARCHAR(60) NOT NULL,
  kind VARCHAR(20) NOT NULL,
  actor VARCHAR(60) NOT NULL,
  at VARCHAR(30) NOT NULL,
  body LONGTEXT NOT NULL,
  plan_hash CHAR(64) NOT NULL,
  prev_hash CHAR(64) NOT NULL,
  hash CHAR(64) NOT NULL,
  received_at DATETIME(3) NOT NULL,
  UNIQUE KEY crossing_event_order (crossing_id, seq),
  FOREIGN KEY (crossing_id) REFERENCES crossing (id)
) ENGINE=InnoDB;

-- step: crossing-event-no-update
CREATE OR REPLACE TRIGGER crossing_event_no_update BEFORE UPDATE ON crossing_event FOR EACH ROW
  SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'crossing events are append-only';

-- step: crossing-event-no-delete
CREATE OR REPLACE TRIGGER crossing_event_no_delete BEFORE DELETE ON crossing_event FOR EACH ROW
  SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'crossing events are append-only';
