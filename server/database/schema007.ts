// Sounds on the shelf, and pictures that are cut from others.

export const SCHEMA_007 = `
ALTER TABLE media
  ADD COLUMN cut jsonb,
  ADD COLUMN cut_from text REFERENCES media ON DELETE SET NULL,
  ADD CHECK (cut IS NULL OR kind = 'picture');
ALTER TABLE media DROP CONSTRAINT media_kind_check;
ALTER TABLE media ADD CONSTRAINT media_kind_check CHECK (kind IN ('film', 'picture', 'sound'));
ALTER TABLE media DROP CONSTRAINT media_fault_check;
ALTER TABLE media ADD CONSTRAINT media_fault_check CHECK (fault IN
  ('notAFilm', 'noPicture', 'unreadable', 'conversionFailed', 'notAPicture', 'tooLarge', 'notASound'));
ALTER TABLE media DROP CONSTRAINT media_ready_check;
ALTER TABLE media ADD CONSTRAINT media_ready_check CHECK (state <> 'ready' OR (
  (kind = 'sound' OR (width IS NOT NULL AND height IS NOT NULL))
  AND (kind = 'picture' OR duration_ms IS NOT NULL)));
`
