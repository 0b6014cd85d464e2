// Files that learners hand in with their answers.

export const SCHEMA_008 = `
CREATE TABLE handed_files (
  attempt_id text NOT NULL REFERENCES attempts ON DELETE CASCADE,
  id text NOT NULL,
  question_id text NOT NULL,
  name text NOT NULL,
  content_type text NOT NULL,
  bytes bigint NOT NULL,
  storage_key text NOT NULL,
  handed_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (attempt_id, id)
);
CREATE INDEX handed_files_by_question ON handed_files (attempt_id, question_id);
`
