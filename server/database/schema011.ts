// What learners have seen of the parts that are no films; and documents on the shelf, with their pages as pictures.

export const SCHEMA_011 = `
CREATE TABLE seen_things (
  attempt_id text NOT NULL REFERENCES attempts ON DELETE CASCADE,
  part_id text NOT NULL,
  thing_id text NOT NULL,
  seen_at timestamptz NOT NULL,
  PRIMARY KEY (attempt_id, part_id, thing_id)
);
ALTER TABLE media ADD COLUMN page_count int CHECK (page_count > 0);
ALTER TABLE media DROP CONSTRAINT media_kind_check;
ALTER TABLE media ADD CONSTRAINT media_kind_check CHECK (kind IN ('film', 'picture', 'sound', 'document'));
ALTER TABLE media DROP CONSTRAINT media_fault_check;
ALTER TABLE media ADD CONSTRAINT media_fault_check CHECK (fault IN
  ('notAFilm', 'noPicture', 'unreadable', 'conversionFailed', 'notAPicture', 'tooLarge', 'notASound',
   'notADocument', 'locked'));
ALTER TABLE media DROP CONSTRAINT media_ready_check;
ALTER TABLE media ADD CONSTRAINT media_ready_check CHECK (state <> 'ready' OR kind = 'document' OR (
  (kind = 'sound' OR (width IS NOT NULL AND height IS NOT NULL))
  AND (kind = 'picture' OR duration_ms IS NOT NULL)));
ALTER TABLE media_files DROP CONSTRAINT media_files_kind_check;
ALTER TABLE media_files ADD CONSTRAINT media_files_kind_check CHECK (kind IN
  ('original', 'playable', 'poster', 'peaks', 'pauses', 'filmstrip', 'shots', 'pages') OR kind ~ '^page-[1-9][0-9]{0,2}$');
ALTER TABLE media_jobs DROP CONSTRAINT media_jobs_kind_check;
ALTER TABLE media_jobs ADD CONSTRAINT media_jobs_kind_check CHECK (kind IN
  ('probe', 'playable', 'poster', 'peaks', 'filmstrip', 'pages'));
`
