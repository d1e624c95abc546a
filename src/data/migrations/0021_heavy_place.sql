-- Places for heavy work: whichever process does it, no more of them at once than the database has been said to bear.

-- step: heavy-place
CREATE TABLE IF NOT EXISTS heavy_place (
  place TINYINT UNSIGNED NOT NULL PRIMARY KEY,
  holder CHAR(36) NOT NULL DEFAULT '',
  person_id VARCHAR(36) NOT NULL DEFAULT '',
  until DATETIME(3) NOT NULL DEFAULT '2000-01-01 00:00:00.000'
) ENGINE=InnoDB

-- step: heavy-places
INSERT IGNORE INTO heavy_place (place) VALUES
  (1), (2), (3), (4), (5), (6), (7), (8), (9), (10), (11), (12), (13), (14), (15), (16),
  (17), (18), (19), (20), (21), (22), (23), (24), (25), (26), (27), (28), (29), (30), (31), (32)
