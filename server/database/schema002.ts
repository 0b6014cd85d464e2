// Shots and pauses in speech; peaks at several levels and a finer filmstrip. Films put in before get all of it again.

export const SCHEMA_002 = `
ALTER TABLE media_files DROP CONSTRAINT media_files_kind_check;
ALTER TABLE media_files ADD CONSTRAINT media_files_kind_check
  CHECK (kind IN ('original', 'playable', 'poster', 'peaks', 'pauses', 'filmstrip', 'shots'));
DELETE FROM media_files WHERE kind IN ('peaks', 'filmstrip');
UPDATE media_jobs SET state = 'waiting', progress = 0 WHERE kind IN ('peaks', 'filmstrip');
`
