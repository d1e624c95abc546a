-- Crossings are of several kinds: a plan says of which, and the sheets of soft seals come in with the catalogue.

-- step: part-revision-seal-sheets
ALTER TABLE part_revision MODIFY COLUMN kind ENUM('adaptor','accessory','compound','frameSheet','plugSheet','sleeveSheet','wrapSheet') NOT NULL;

-- step: crossing-plan-kind
ALTER TABLE crossing_plan ADD COLUMN IF NOT EXISTS crossing_kind VARCHAR(12) NOT NULL DEFAULT 'frames';
