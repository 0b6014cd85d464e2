// Where material came from, as it may be shown to learners with its credit.

export const SCHEMA_031 = `
ALTER TABLE media ADD COLUMN source text NOT NULL DEFAULT '';
`
