// Which way a learner took at a fork, each time they came to it.

export const SCHEMA_005 = `
CREATE TABLE choices (
  attempt_id text NOT NULL REFERENCES attempts ON DELETE CASCADE,
  id text NOT NULL,
  cue_id text NOT NULL,
  choice_id text NOT NULL,
  chosen_at timestamptz NOT NULL,
  PRIMARY KEY (attempt_id, id)
);
CREATE INDEX choices_by_cue ON choices (attempt_id, cue_id, chosen_at);
`
