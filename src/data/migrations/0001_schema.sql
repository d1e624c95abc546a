-- Each step is one statement, recorded once it has run. Data definition commits by itself, so every step can run again.

-- step: database-collation
ALTER DATABASE CHARACTER SET utf8mb4 COLLATE utf8mb4_uca1400_as_ci;

-- step: catalogue-import
CREATE TABLE IF NOT EXISTS catalogue_import (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(80) NOT NULL,
  hash CHAR(64) NOT NULL UNIQUE,
  actor VARCHAR(60) NOT NULL,
  imported_at DATETIME(3) NOT NULL
) ENGINE=InnoDB;

-- step: family-revision
CREATE TABLE IF NOT EXISTS family_revision (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  import_id INT UNSIGNED NOT NULL,
  code VARCHAR(10) NOT NULL,
  revision VARCHAR(20) NOT NULL,
  hash CHAR(64) NOT NULL,
  plan_only TINYINT(1) NOT NULL,
  body JSON NOT NULL,
  UNIQUE KEY family_revision_once (code, revision),
  FOREIGN KEY (import_id) REFERENCES catalogue_import (id)
) ENGINE=InnoDB;

-- step: part-revision
CREATE TABLE IF NOT EXISTS part_revision (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  import_id INT UNSIGNED NOT NULL,
  kind ENUM('adaptor','accessory') NOT NULL,
  part_number VARCHAR(40) NOT NULL,
  hash CHAR(64) NOT NULL,
  body JSON NOT NULL,
  UNIQUE KEY part_revision_once (part_number, hash),
  FOREIGN KEY (import_id) REFERENCES catalogue_import (id)
) ENGINE=InnoDB;

-- step: job
CREATE TABLE IF NOT EXISTS job (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  slug VARCHAR(40) NOT NULL UNIQUE,
  name VARCHAR(120) NOT NULL,
  unit ENUM('mm','in') NOT NULL,
  second_person TINYINT(1) NOT NULL,
  profile JSON NOT NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1
) ENGINE=InnoDB;

-- step: cable-type
CREATE TABLE IF NOT EXISTS cable_type (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  job_id INT UNSIGNED NOT NULL,
  code VARCHAR(40) NOT NULL,
  facts JSON NOT NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  UNIQUE KEY cable_type_once (job_id, code),
  FOREIGN KEY (job_id) REFERENCES job (id)
) ENGINE=InnoDB;

-- step: enclosure
CREATE TABLE IF NOT EXISTS enclosure (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  job_id INT UNSIGNED NOT NULL,
  tag VARCHAR(40) NOT NULL,
  area VARCHAR(80) NOT NULL,
  facts JSON NOT NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  UNIQUE KEY enclosure_once (job_id, tag),
  FOREIGN KEY (job_id) REFERENCES job (id)
) ENGINE=InnoDB;

-- step: entry
CREATE TABLE IF NOT EXISTS entry (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  enclosure_id INT UNSIGNED NOT NULL,
  label VARCHAR(20) NOT NULL,
  facts JSON NOT NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  UNIQUE KEY entry_once (enclosure_id, label),
  FOREIGN KEY (enclosure_id) REFERENCES enclosure (id)
) ENGINE=InnoDB;

-- step: cable
CREATE TABLE IF NOT EXISTS cable (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  job_id INT UNSIGNED NOT NULL,
  tag VARCHAR(40) NOT NULL,
  type_id INT UNSIGNED NOT NULL,
  route_mm DOUBLE NULL,
  note VARCHAR(200) NOT NULL DEFAULT '',
  retired_at DATETIME(3) NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  live_tag VARCHAR(40) AS (IF(retired_at IS NULL, tag, NULL)) STORED,
  UNIQUE KEY cable_once (job_id, live_tag),
  KEY cable_by_tag (job_id, tag),
  FOREIGN KEY (job_id) REFERENCES job (id),
  FOREIGN KEY (type_id) REFERENCES cable_type (id),
  CONSTRAINT cable_tag_has_no_slash CHECK (INSTR(tag, '/') = 0)
) ENGINE=InnoDB;

-- step: termination
CREATE TABLE IF NOT EXISTS termination (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  cable_id INT UNSIGNED NOT NULL,
  cable_end ENUM('A','B') NOT NULL,
  entry_id INT UNSIGNED NULL,
  tail_mm DOUBLE NULL,
  spare_mm DOUBLE NOT NULL DEFAULT 0,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  UNIQUE KEY termination_once (cable_id, cable_end),
  UNIQUE KEY entry_taken (entry_id),
  FOREIGN KEY (cable_id) REFERENCES cable (id),
  FOREIGN KEY (entry_id) REFERENCES entry (id)
) ENGINE=InnoDB;

-- step: reading
CREATE TABLE IF NOT EXISTS reading (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  cable_id INT UNSIGNED NOT NULL,
  cable_end ENUM('A','B') NULL,
  quantity VARCHAR(20) NOT NULL,
  method VARCHAR(20) NOT NULL,
  text VARCHAR(40) NOT NULL,
  unit ENUM('mm','in') NOT NULL,
  tolerance VARCHAR(40) NULL,
  instrument VARCHAR(60) NULL,
  person VARCHAR(60) NULL,
  taken_at VARCHAR(40) NULL,
  angle_deg DOUBLE NULL,
  withdrawn_at DATETIME(3) NULL,
  KEY reading_by_cable (cable_id, cable_end),
  FOREIGN KEY (cable_id) REFERENCES cable (id)
) ENGINE=InnoDB;

-- step: plan
CREATE TABLE IF NOT EXISTS plan (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  termination_id INT UNSIGNED NOT NULL,
  family_revision_id INT UNSIGNED NOT NULL,
  size VARCHAR(30) NOT NULL,
  plan_hash CHAR(64) NOT NULL,
  input_hash CHAR(64) NOT NULL,
  provisional TINYINT(1) NOT NULL,
  body JSON NOT NULL,
  actor VARCHAR(60) NOT NULL,
  made_at DATETIME(3) NOT NULL,
  superseded_at DATETIME(3) NULL,
  current_of INT UNSIGNED AS (IF(superseded_at IS NULL, termination_id, NULL)) STORED,
  UNIQUE KEY one_current_plan (current_of),
  KEY plan_by_termination (termination_id),
  CONSTRAINT plan_of_termination FOREIGN KEY (termination_id) REFERENCES termination (id),
  FOREIGN KEY (family_revision_id) REFERENCES family_revision (id)
) ENGINE=InnoDB;

-- step: bench-event
CREATE TABLE IF NOT EXISTS bench_event (
  id CHAR(36) NOT NULL PRIMARY KEY,
  termination_id INT UNSIGNED NOT NULL,
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
  UNIQUE KEY event_order (termination_id, seq),
  FOREIGN KEY (termination_id) REFERENCES termination (id)
) ENGINE=InnoDB;

-- step: bench-event-no-update
CREATE OR REPLACE TRIGGER bench_event_no_update BEFORE UPDATE ON bench_event FOR EACH ROW
  SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'bench events are append-only';

-- step: bench-event-no-delete
CREATE OR REPLACE TRIGGER bench_event_no_delete BEFORE DELETE ON bench_event FOR EACH ROW
  SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'bench events are append-only';

-- step: station-summary
CREATE TABLE IF NOT EXISTS station_summary (
  termination_id INT UNSIGNED NOT NULL PRIMARY KEY,
  arcs VARCHAR(20) NOT NULL,
  next_station VARCHAR(20) NULL,
  next_action VARCHAR(200) NULL,
  blocked_by VARCHAR(500) NULL,
  FOREIGN KEY (termination_id) REFERENCES termination (id)
) ENGINE=InnoDB;

-- step: edit
CREATE TABLE IF NOT EXISTS edit (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  job_id INT UNSIGNED NOT NULL,
  label VARCHAR(200) NOT NULL,
  actor VARCHAR(60) NOT NULL,
  at DATETIME(3) NOT NULL,
  changes JSON NOT NULL,
  undone_at DATETIME(3) NULL,
  KEY edit_by_job (job_id, id),
  FOREIGN KEY (job_id) REFERENCES job (id)
) ENGINE=InnoDB;

-- step: station-summary-size
ALTER TABLE station_summary ADD COLUMN IF NOT EXISTS size VARCHAR(30) NULL;
