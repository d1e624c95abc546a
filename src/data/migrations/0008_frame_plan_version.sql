-- Plans of crossings say in which shape they are stored.

-- step: crossing-plan-version
ALTER TABLE crossing_plan ADD COLUMN IF NOT EXISTS version TINYINT NOT NULL DEFAULT 1;
