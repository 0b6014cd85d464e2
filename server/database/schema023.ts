// Indexes for what is asked all day long, of tables that only grow.

export const SCHEMA_023 = `
CREATE INDEX attempts_lesson ON attempts (lesson_id, edition);
CREATE INDEX posts_head ON posts (assignment_id, reply_to);
CREATE INDEX lesson_invited_email ON lesson_invited (email);
-- Names are told apart by numbers at their ends; see readTakenNames.
CREATE INDEX people_sign_in_stem ON people (regexp_replace(sign_in, '[0-9]+$', ''));
`
