// What a class and its teachers say about a lesson they were given.

export const SCHEMA_020 = `
CREATE SEQUENCE post_changes;
CREATE TABLE posts (
  assignment_id text NOT NULL REFERENCES assignments ON DELETE CASCADE,
  id text NOT NULL,
  person_id text REFERENCES people ON DELETE SET NULL,
  -- Whether it was said as a teacher.
  teaches boolean NOT NULL,
  sort text NOT NULL CHECK (sort IN ('comment', 'prompt', 'enquiry', 'reply')),
  reply_to text,
  part_id text NOT NULL,
  place jsonb NOT NULL,
  words text NOT NULL CHECK (length(words) <= 2000),
  number double precision CHECK (number IS NULL OR sort = 'reply'),
  range jsonb CHECK (range IS NULL OR sort = 'prompt'),
  is_gone boolean NOT NULL,
  said_at timestamptz NOT NULL,
  -- By the clock of whoever wrote it: of several words on one post the latest holds.
  written_at timestamptz NOT NULL,
  is_changed boolean NOT NULL DEFAULT false,
  hidden_at timestamptz,
  hidden_by text REFERENCES people ON DELETE SET NULL,
  -- Grows with each change in the talk about one assignment: whoever knows all up to one asks for what came after it.
  change bigint NOT NULL DEFAULT nextval('post_changes'),
  PRIMARY KEY (assignment_id, id),
  FOREIGN KEY (assignment_id, reply_to) REFERENCES posts (assignment_id, id) ON DELETE CASCADE,
  CHECK ((sort = 'reply') = (reply_to IS NOT NULL))
);
CREATE INDEX posts_change ON posts (assignment_id, change);
CREATE INDEX posts_person ON posts (person_id);

-- Learners whom their teachers let hide what others say.
ALTER TABLE enrolments ADD COLUMN moderates boolean NOT NULL DEFAULT false;
`
