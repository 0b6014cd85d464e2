// A film that stays with its host has no frames to count or draw; so a lesson can tell it from others. A draft learns of
// it when it is next open on the bench, by an edit like any other.

export const SCHEMA_016 = `
UPDATE media SET frame_rate = NULL WHERE hosted IS NOT NULL;
`
