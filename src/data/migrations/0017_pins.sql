-- Which core of a cable goes to which position of a plug-in half, where somebody said so; the insert's own order otherwise.

-- step: termination-pins
ALTER TABLE termination ADD COLUMN IF NOT EXISTS pins JSON NULL;
