// Sign-in names are found however their dots are typed.

export const SCHEMA_033 = `
CREATE INDEX people_sign_in_undotted ON people (replace(sign_in, '.', ''));
`
