// Films that play as they are were served as they were put in, with all that their files tell besides. They are looked at once
// more: what tells more than it shows is written anew without it.

export const SCHEMA_025 = `
INSERT INTO media_jobs (media_id, kind, state)
SELECT m.id, 'playable', 'waiting' FROM media m
 WHERE m.kind = 'film' AND m.state = 'ready' AND m.hosted IS NULL
   AND EXISTS (SELECT FROM media_files f WHERE f.media_id = m.id AND f.kind = 'original')
   AND NOT EXISTS (SELECT FROM media_files f WHERE f.media_id = m.id AND f.kind = 'playable')
ON CONFLICT DO NOTHING;
`
