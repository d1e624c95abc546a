-- What a device kept while it had no server: when it last heard of one, and how far its clock was ahead then.

-- step: kept-event
ALTER TABLE record_event
  ADD COLUMN IF NOT EXISTS contact VARCHAR(30) NULL AFTER prev_hash,
  ADD COLUMN IF NOT EXISTS ahead_ms INT NULL AFTER contact;
