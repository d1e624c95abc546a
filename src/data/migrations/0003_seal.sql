-- Compounds are parts of the catalogue; an end may ask for one of them, and may list its terminals core by core.

-- step: part-revision-compound
ALTER TABLE part_revision MODIFY COLUMN kind ENUM('adaptor','accessory','compound') NOT NULL;

-- step: part-number-longer
ALTER TABLE part_revision MODIFY COLUMN part_number VARCHAR(60) NOT NULL;

-- step: termination-compound
ALTER TABLE termination ADD COLUMN IF NOT EXISTS compound VARCHAR(60) NULL;

-- step: termination-terminals
ALTER TABLE termination ADD COLUMN IF NOT EXISTS terminals JSON NULL;

-- step: plan-sealed
ALTER TABLE plan ADD COLUMN IF NOT EXISTS sealed TINYINT AS (JSON_VALUE(body, '$.seal.product') IS NOT NULL) PERSISTENT;

-- step: plan-sealed-index
CREATE INDEX IF NOT EXISTS plan_sealed ON plan (sealed, superseded_at);
