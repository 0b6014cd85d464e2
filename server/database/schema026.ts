// What learners may not be told yet: what the mixing of their questions follows from, which questions they have been told
// whole, and what was answered after that.

export const SCHEMA_026 = `
ALTER TABLE attempts ADD COLUMN mix text NOT NULL DEFAULT gen_random_uuid()::text;
CREATE TABLE told_questions (
  attempt_id text NOT NULL REFERENCES attempts ON DELETE CASCADE,
  question_id text NOT NULL,
  told_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (attempt_id, question_id)
);
CREATE TABLE answers_after_telling (
  attempt_id text NOT NULL REFERENCES attempts ON DELETE CASCADE,
  id text NOT NULL,
  cue_id text NOT NULL,
  question_id text NOT NULL,
  answer jsonb NOT NULL,
  answered_at timestamptz NOT NULL,
  came_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (attempt_id, id)
);
`
