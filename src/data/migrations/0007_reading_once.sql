-- A reading that is sent twice is stored once: the sender names it.

-- step: reading-client-id
ALTER TABLE reading ADD COLUMN IF NOT EXISTS client_id CHAR(36) NULL;

-- step: reading-client-id-once
ALTER TABLE reading ADD UNIQUE KEY IF NOT EXISTS reading_once (client_id);
