// Now and then the whole draft is kept beside the patch log, so that any earlier state can be built again.

export const SCHEMA_004 = `
CREATE TABLE draft_snapshots (
  lesson_id text NOT NULL REFERENCES lessons ON DELETE CASCADE,
  revision int NOT NULL CHECK (revision >= 0),
  document jsonb NOT NULL,
  PRIMARY KEY (lesson_id, revision)
);
INSERT INTO draft_snapshots (lesson_id, revision, document) SELECT id, revision, draft FROM lessons;
`
