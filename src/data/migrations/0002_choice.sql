-- A size may be locked at a termination: the whole-job choice then leaves it alone.

-- step: termination-size-locked
ALTER TABLE termination ADD COLUMN IF NOT EXISTS size_locked TINYINT NOT NULL DEFAULT 0;
