-- Under whom an apprentice works in a job, from when until when. Only added: the last one counts.

-- step: supervision
CREATE TABLE IF NOT EXISTS supervision (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT,
  job_id INT UNSIGNED NOT NULL,
  apprentice_id VARCHAR(36) NOT NULL,
  supervisor_id VARCHAR(36) NOT NULL,
  since DATETIME(3) NOT NULL,
  until DATETIME(3) NOT NULL,
  PRIMARY KEY (id),
  KEY supervision_of (job_id, apprentice_id, since),
  FOREIGN KEY (job_id) REFERENCES job (id),
  FOREIGN KEY (apprentice_id) REFERENCES person (id),
  FOREIGN KEY (supervisor_id) REFERENCES person (id)
) ENGINE=InnoDB;
