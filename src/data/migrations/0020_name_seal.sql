-- Names that the record hashes by their marks, so that a name can be forgotten and every hash still holds.

-- step: name-seal
CREATE TABLE IF NOT EXISTS name_seal (
  mark CHAR(64) NOT NULL PRIMARY KEY,
  person VARCHAR(36) NOT NULL,
  name VARCHAR(60) CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin NULL,
  salt CHAR(64) NULL,
  UNIQUE KEY name_seal_of (person, name)
) ENGINE=InnoDB

-- step: names-of-event
ALTER TABLE record_event
  ADD COLUMN IF NOT EXISTS by_mark CHAR(64) NULL,
  ADD COLUMN IF NOT EXISTS under_mark CHAR(64) NULL

-- step: forgotten
CREATE TABLE IF NOT EXISTS forgotten (
  person VARCHAR(36) NOT NULL PRIMARY KEY,
  at DATETIME(3) NOT NULL,
  events INT UNSIGNED NOT NULL
) ENGINE=InnoDB
