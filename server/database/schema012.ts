// Sharing: who may learn a lesson, commenters, and what each edition brought.

export const SCHEMA_012 = `
ALTER TABLE lessons ADD COLUMN seen_by text NOT NULL DEFAULT 'link'
  CHECK (seen_by IN ('me', 'people', 'link', 'everyone'));
CREATE INDEX lessons_open ON lessons (id) WHERE seen_by = 'everyone';
ALTER TABLE lesson_roles DROP CONSTRAINT lesson_roles_role_check;
ALTER TABLE lesson_roles ADD CONSTRAINT lesson_roles_role_check
  CHECK (role IN ('owner', 'editor', 'commenter', 'viewer'));
CREATE TABLE lesson_invited (
  lesson_id text NOT NULL REFERENCES lessons ON DELETE CASCADE,
  email text NOT NULL CHECK (email = lower(email)),
  PRIMARY KEY (lesson_id, email)
);
ALTER TABLE editions ADD COLUMN note text NOT NULL DEFAULT '';
ALTER TABLE editions ADD COLUMN changes jsonb NOT NULL DEFAULT '[]';
`
