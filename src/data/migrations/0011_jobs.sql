-- A job says where it is, which families of the catalogue it uses, and whether it is over.

-- step: job-place
ALTER TABLE job ADD COLUMN IF NOT EXISTS place VARCHAR(120) NOT NULL DEFAULT '';

-- step: job-families
ALTER TABLE job ADD COLUMN IF NOT EXISTS families LONGTEXT NULL;

-- step: job-archived
ALTER TABLE job ADD COLUMN IF NOT EXISTS archived_at DATETIME(3) NULL;

-- step: cable-type-retired
ALTER TABLE cable_type ADD COLUMN IF NOT EXISTS retired_at DATETIME(3) NULL;

-- step: enclosure-retired
ALTER TABLE enclosure ADD COLUMN IF NOT EXISTS retired_at DATETIME(3) NULL;

-- step: entry-retired
ALTER TABLE entry ADD COLUMN IF NOT EXISTS retired_at DATETIME(3) NULL;

-- step: sheet-mapping
CREATE TABLE IF NOT EXISTS sheet_mapping (
  job_id INT UNSIGNED NOT NULL,
  headings CHAR(64) NOT NULL,
  mapping LONGTEXT NOT NULL,
  PRIMARY KEY (job_id, headings),
  FOREIGN KEY (job_id) REFERENCES job (id)
) ENGINE=InnoDB;
