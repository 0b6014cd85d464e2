// Questions that designers keep to ask them again.

export const SCHEMA_009 = `
CREATE TABLE kept_questions (
  id text PRIMARY KEY,
  owner_id text NOT NULL REFERENCES people ON DELETE CASCADE,
  question jsonb NOT NULL,
  kept_at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX kept_questions_by_owner ON kept_questions (owner_id, kept_at DESC);
`
