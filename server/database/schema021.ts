// Of what a mail with files tells, so that it goes when somebody goes whom it may name.

export const SCHEMA_021 = `
-- Such as 'assignment <id>' or 'lesson <id>'; null for mails from before, and those without files.
ALTER TABLE mails ADD COLUMN about text;
CREATE INDEX mails_about ON mails (about);
-- Names and addresses are no longer written into these.
DELETE FROM rate_limits;
`
