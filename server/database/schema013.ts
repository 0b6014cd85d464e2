// Media that are fetched from an address.

export const SCHEMA_013 = `
ALTER TABLE media ADD COLUMN address text CHECK (address ~* '^https?://');
ALTER TABLE media DROP CONSTRAINT media_fault_check;
ALTER TABLE media ADD CONSTRAINT media_fault_check CHECK (fault IN
  ('notAFilm', 'noPicture', 'unreadable', 'conversionFailed', 'notAPicture', 'tooLarge', 'notASound',
   'notADocument', 'locked', 'notReached'));
ALTER TABLE media_jobs DROP CONSTRAINT media_jobs_kind_check;
ALTER TABLE media_jobs ADD CONSTRAINT media_jobs_kind_check CHECK (kind IN
  ('fetch', 'probe', 'playable', 'poster', 'peaks', 'filmstrip', 'pages'));
`
