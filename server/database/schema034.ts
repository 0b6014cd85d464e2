// A lesson can be talked about without a class: by those who come by its link.

export const SCHEMA_034 = `
CREATE TABLE talks (
  -- Of a class the id of its assignment; of a lesson one that no assignment can have.
  id text PRIMARY KEY,
  assignment_id text UNIQUE REFERENCES assignments ON DELETE CASCADE,
  lesson_id text UNIQUE REFERENCES lessons ON DELETE CASCADE,
  -- Of a lesson; what a class may, the rules of its assignment say.
  is_on boolean NOT NULL DEFAULT false,
  CHECK (num_nonnulls(assignment_id, lesson_id) = 1)
);
INSERT INTO talks (id, assignment_id) SELECT DISTINCT assignment_id, assignment_id FROM posts;

ALTER TABLE posts DROP CONSTRAINT posts_assignment_id_fkey;
ALTER TABLE posts RENAME COLUMN assignment_id TO talk_id;
ALTER TABLE posts ADD FOREIGN KEY (talk_id) REFERENCES talks ON DELETE CASCADE;
-- The words as they are compared when somebody searches open lessons; classes are not searched, so theirs may be missing.
ALTER TABLE posts ADD COLUMN folded text NOT NULL DEFAULT '';
`
