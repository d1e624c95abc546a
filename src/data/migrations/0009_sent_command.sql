-- Every command from a page has an id of its own: sent twice it is done once, and answered as it was the first time.

-- step: sent-command
CREATE TABLE IF NOT EXISTS sent_command (
  number BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  id CHAR(36) NOT NULL,
  operation VARCHAR(40) NOT NULL,
  said_hash CHAR(64) NOT NULL,
  answer LONGTEXT NOT NULL,
  at DATETIME(3) NOT NULL,
  UNIQUE KEY sent_once (id),
  KEY sent_command_at (at)
) ENGINE=InnoDB;
