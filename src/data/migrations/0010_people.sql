-- People sign in. Events, readings, plans, edits and imports carry the person's id beside the name; what was written before has none and stays
-- readable as typed. Rows of people are never deleted: what they did stays theirs. Sessions are.

-- step: person
CREATE TABLE IF NOT EXISTS person (
  id CHAR(36) NOT NULL PRIMARY KEY,
  name VARCHAR(60) NOT NULL,
  email VARCHAR(120) NOT NULL,
  email_verified BOOLEAN NOT NULL DEFAULT FALSE,
  image TEXT NULL,
  username VARCHAR(40) NULL,
  display_username VARCHAR(40) NULL,
  administrator BOOLEAN NOT NULL DEFAULT FALSE,
  blocked_at DATETIME(3) NULL,
  created_at DATETIME(3) NOT NULL,
  updated_at DATETIME(3) NOT NULL,
  UNIQUE KEY person_email (email),
  UNIQUE KEY person_username (username)
) ENGINE=InnoDB;

-- step: person-session
CREATE TABLE IF NOT EXISTS person_session (
  id CHAR(36) NOT NULL PRIMARY KEY,
  token VARCHAR(64) NOT NULL,
  person_id CHAR(36) NOT NULL,
  expires_at DATETIME(3) NOT NULL,
  ip_address VARCHAR(60) NULL,
  user_agent VARCHAR(400) NULL,
  created_at DATETIME(3) NOT NULL,
  updated_at DATETIME(3) NOT NULL,
  UNIQUE KEY session_token (token),
  FOREIGN KEY (person_id) REFERENCES person (id)
) ENGINE=InnoDB;

-- step: person-account
CREATE TABLE IF NOT EXISTS person_account (
  id CHAR(36) NOT NULL PRIMARY KEY,
  person_id CHAR(36) NOT NULL,
  account_id VARCHAR(60) NOT NULL,
  provider_id VARCHAR(40) NOT NULL,
  access_token TEXT NULL,
  refresh_token TEXT NULL,
  id_token TEXT NULL,
  access_token_expires_at DATETIME(3) NULL,
  refresh_token_expires_at DATETIME(3) NULL,
  scope TEXT NULL,
  password VARCHAR(255) NULL,
  created_at DATETIME(3) NOT NULL,
  updated_at DATETIME(3) NOT NULL,
  UNIQUE KEY account_once (person_id, provider_id),
  FOREIGN KEY (person_id) REFERENCES person (id)
) ENGINE=InnoDB;

-- step: person-verification
CREATE TABLE IF NOT EXISTS person_verification (
  id CHAR(36) NOT NULL PRIMARY KEY,
  identifier VARCHAR(255) NOT NULL,
  value TEXT NOT NULL,
  expires_at DATETIME(3) NOT NULL,
  created_at DATETIME(3) NOT NULL,
  updated_at DATETIME(3) NOT NULL,
  KEY verification_identifier (identifier)
) ENGINE=InnoDB;

-- step: person-pin
CREATE TABLE IF NOT EXISTS person_pin (
  person_id CHAR(36) NOT NULL PRIMARY KEY,
  hash VARCHAR(255) NOT NULL,
  failures TINYINT UNSIGNED NOT NULL DEFAULT 0,
  set_at DATETIME(3) NOT NULL,
  FOREIGN KEY (person_id) REFERENCES person (id)
) ENGINE=InnoDB;

-- step: membership
CREATE TABLE IF NOT EXISTS membership (
  person_id CHAR(36) NOT NULL,
  job_id INT UNSIGNED NOT NULL,
  role ENUM('planner','fitter','inspector','apprentice','administrator') NOT NULL,
  given_by CHAR(36) NULL,
  given_at DATETIME(3) NOT NULL,
  ended_at DATETIME(3) NULL,
  PRIMARY KEY (job_id, person_id, role),
  KEY membership_of_person (person_id),
  FOREIGN KEY (person_id) REFERENCES person (id),
  FOREIGN KEY (job_id) REFERENCES job (id)
) ENGINE=InnoDB;

-- step: invitation
CREATE TABLE IF NOT EXISTS invitation (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  token_hash CHAR(64) NOT NULL,
  name VARCHAR(60) NOT NULL,
  for_person CHAR(36) NULL,
  job_id INT UNSIGNED NULL,
  roles VARCHAR(120) NOT NULL,
  administrator BOOLEAN NOT NULL DEFAULT FALSE,
  invited_by CHAR(36) NOT NULL,
  made_at DATETIME(3) NOT NULL,
  expires_at DATETIME(3) NOT NULL,
  used_by CHAR(36) NULL,
  used_at DATETIME(3) NULL,
  withdrawn_at DATETIME(3) NULL,
  UNIQUE KEY invitation_token (token_hash),
  FOREIGN KEY (job_id) REFERENCES job (id),
  FOREIGN KEY (invited_by) REFERENCES person (id)
) ENGINE=InnoDB;

-- step: first-run
CREATE TABLE IF NOT EXISTS first_run (
  id TINYINT UNSIGNED NOT NULL PRIMARY KEY,
  code_hash CHAR(64) NOT NULL,
  made_at DATETIME(3) NOT NULL,
  used_at DATETIME(3) NULL
) ENGINE=InnoDB;

-- step: sign-in-limit
CREATE TABLE IF NOT EXISTS sign_in_limit (
  `key` VARCHAR(191) NOT NULL PRIMARY KEY,
  points INT NOT NULL DEFAULT 0,
  expire BIGINT UNSIGNED NULL
) ENGINE=InnoDB;

-- step: record-event-person
ALTER TABLE record_event ADD COLUMN IF NOT EXISTS person_id CHAR(36) NULL;

-- step: reading-person
ALTER TABLE reading ADD COLUMN IF NOT EXISTS person_id CHAR(36) NULL;

-- step: plan-person
ALTER TABLE plan ADD COLUMN IF NOT EXISTS person_id CHAR(36) NULL;

-- step: crossing-plan-person
ALTER TABLE crossing_plan ADD COLUMN IF NOT EXISTS person_id CHAR(36) NULL;

-- step: edit-person
ALTER TABLE edit ADD COLUMN IF NOT EXISTS person_id CHAR(36) NULL;

-- step: catalogue-import-person
ALTER TABLE catalogue_import ADD COLUMN IF NOT EXISTS person_id CHAR(36) NULL;
