// Films that stay with their hosts, and streams.

export const SCHEMA_014 = `
ALTER TABLE media ADD COLUMN hosted jsonb;
ALTER TABLE media DROP CONSTRAINT media_fault_check;
ALTER TABLE media ADD CONSTRAINT media_fault_check CHECK (fault IN
  ('notAFilm', 'noPicture', 'unreadable', 'conversionFailed', 'notAPicture', 'tooLarge', 'notASound',
   'notADocument', 'locked', 'notReached', 'endless', 'guarded', 'notFramed', 'notPlayed'));
`
