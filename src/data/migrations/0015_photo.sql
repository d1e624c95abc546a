-- Photos of what was looked at, beside the record that names them by their hash.

-- step: photo
CREATE TABLE IF NOT EXISTS photo (
  job_id INT UNSIGNED NOT NULL,
  hash CHAR(64) NOT NULL,
  bytes MEDIUMBLOB NOT NULL,
  width INT UNSIGNED NOT NULL,
  height INT UNSIGNED NOT NULL,
  actor VARCHAR(60) NOT NULL,
  person_id VARCHAR(36) NULL,
  at DATETIME(3) NOT NULL,
  PRIMARY KEY (job_id, hash),
  FOREIGN KEY (job_id) REFERENCES job (id)
) ENGINE=InnoDB;
