-- What an administrator sees of the running whole: which processes there are, by which request something was done, and when it was last backed up.

-- step: request-of-command
ALTER TABLE sent_command ADD COLUMN IF NOT EXISTS request VARCHAR(64) NULL

-- step: server-process
CREATE TABLE IF NOT EXISTS server_process (
  id CHAR(36) NOT NULL PRIMARY KEY,
  host VARCHAR(80) NOT NULL,
  pid INT UNSIGNED NOT NULL,
  version VARCHAR(40) NOT NULL,
  build VARCHAR(40) NOT NULL,
  started_at DATETIME(3) NOT NULL,
  seen_at DATETIME(3) NOT NULL,
  figures LONGTEXT NOT NULL,
  KEY server_process_seen (seen_at)
) ENGINE=InnoDB

-- step: backup
CREATE TABLE IF NOT EXISTS backup (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  node VARCHAR(80) NOT NULL,
  place VARCHAR(400) NOT NULL,
  bytes BIGINT UNSIGNED NOT NULL,
  began_at DATETIME(3) NOT NULL,
  ended_at DATETIME(3) NOT NULL,
  KEY backup_ended (ended_at)
) ENGINE=InnoDB
