// What could not be fetched because it lies in a network of its own is told apart from what does not answer.

export const SCHEMA_029 = `
ALTER TABLE media DROP CONSTRAINT media_fault_check;
ALTER TABLE media ADD CONSTRAINT media_fault_check CHECK (fault IN
  ('notAFilm', 'noPicture', 'unreadable', 'conversionFailed', 'notAPicture', 'tooLarge', 'notASound',
   'notADocument', 'locked', 'notReached', 'ownNetwork', 'endless', 'guarded', 'notFramed', 'notPlayed'));
`
