// What learners write for themselves.

export const SCHEMA_015 = `
CREATE TABLE own_notes (
  attempt_id text NOT NULL REFERENCES attempts ON DELETE CASCADE,
  note_id text NOT NULL,
  part_id text NOT NULL,
  place jsonb NOT NULL,
  words text NOT NULL CHECK (length(words) <= 4000),
  is_gone boolean NOT NULL,
  written_at timestamptz NOT NULL,
  PRIMARY KEY (attempt_id, note_id)
);
`
