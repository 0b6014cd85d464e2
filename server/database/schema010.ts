// Lessons of several parts: which of them each learner has finished.

export const SCHEMA_010 = `
CREATE TABLE finished_parts (
  attempt_id text NOT NULL REFERENCES attempts ON DELETE CASCADE,
  part_id text NOT NULL,
  finished_at timestamptz NOT NULL,
  PRIMARY KEY (attempt_id, part_id)
);
-- Until now a lesson had one part, and whoever had finished it had finished the lesson.
INSERT INTO finished_parts (attempt_id, part_id, finished_at)
SELECT id, place_part, finished_at FROM attempts WHERE finished_at IS NOT NULL AND place_part IS NOT NULL;
`
