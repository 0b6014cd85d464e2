// Assignments: a lesson given to a class under rules, and the attempts made for it.

export const SCHEMA_018 = `
CREATE TABLE assignments (
  id text PRIMARY KEY,
  class_id text NOT NULL REFERENCES classes ON DELETE CASCADE,
  lesson_id text NOT NULL REFERENCES lessons ON DELETE CASCADE,
  position text COLLATE "C" NOT NULL,
  opens_at timestamptz,
  due_at timestamptz,
  closes_at timestamptz,
  most_attempts int CHECK (most_attempts > 0),
  rules jsonb NOT NULL,
  -- Taken back after learners had begun it: their work stays.
  is_withdrawn boolean NOT NULL DEFAULT false,
  created_at timestamptz NOT NULL DEFAULT now(),
  CHECK (due_at > opens_at),
  CHECK (closes_at > opens_at),
  CHECK (closes_at >= due_at)
);
CREATE INDEX assignments_class ON assignments (class_id);
CREATE INDEX assignments_lesson ON assignments (lesson_id);

-- Whom it is for; without any, the whole class.
CREATE TABLE assignment_targets (
  assignment_id text NOT NULL REFERENCES assignments ON DELETE CASCADE,
  kind text NOT NULL CHECK (kind IN ('group', 'person')),
  target_id text NOT NULL,
  PRIMARY KEY (assignment_id, kind, target_id)
);

ALTER TABLE attempts ADD COLUMN assignment_id text REFERENCES assignments ON DELETE CASCADE;
ALTER TABLE attempts ADD COLUMN number int NOT NULL DEFAULT 1 CHECK (number > 0);
-- Where a learner says by hand that the work is done.
ALTER TABLE attempts ADD COLUMN confirmed_at timestamptz;
ALTER TABLE attempts DROP CONSTRAINT attempts_lesson_id_person_id_key;
CREATE UNIQUE INDEX attempts_free ON attempts (lesson_id, person_id) WHERE assignment_id IS NULL;
CREATE UNIQUE INDEX attempts_assigned ON attempts (assignment_id, person_id, number);
`
