-- Sheets of transit frames come in with the catalogue, revision by revision.

-- step: part-revision-frame-sheet
ALTER TABLE part_revision MODIFY COLUMN kind ENUM('adaptor','accessory','compound','frameSheet') NOT NULL;
