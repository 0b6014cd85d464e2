// Who need not do what they were given.

export const SCHEMA_024 = `
CREATE TABLE excused_work (
  assignment_id text NOT NULL REFERENCES assignments ON DELETE CASCADE,
  person_id text NOT NULL REFERENCES people ON DELETE CASCADE,
  excused_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (assignment_id, person_id)
);
CREATE INDEX excused_work_person ON excused_work (person_id);
`
