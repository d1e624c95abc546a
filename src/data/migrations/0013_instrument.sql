-- Instruments with which a job measures and tightens, and what whoever calibrates them found.

-- step: instrument
CREATE TABLE IF NOT EXISTS instrument (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  job_id INT UNSIGNED NOT NULL,
  code VARCHAR(60) NOT NULL,
  facts LONGTEXT NOT NULL,
  retired_at DATETIME(3) NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  UNIQUE KEY instrument_code (job_id, code),
  FOREIGN KEY (job_id) REFERENCES job (id)
) ENGINE=InnoDB;

-- step: instrument-check
CREATE TABLE IF NOT EXISTS instrument_check (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  instrument_id INT UNSIGNED NOT NULL,
  facts LONGTEXT NOT NULL,
  actor VARCHAR(60) NOT NULL,
  person_id VARCHAR(36) NULL,
  at DATETIME(3) NOT NULL,
  KEY instrument_check_of (instrument_id),
  FOREIGN KEY (instrument_id) REFERENCES instrument (id)
) ENGINE=InnoDB;
