// Films can have several sounds, of which one plays. Those that are there are looked at once more for what sounds they have.

export const SCHEMA_032 = `
ALTER TABLE media
  ADD COLUMN sound_tracks jsonb NOT NULL DEFAULT '[]',
  ADD COLUMN sound_track integer,
  ADD COLUMN sound_from text REFERENCES media ON DELETE SET NULL;
CREATE UNIQUE INDEX media_sound_from ON media (sound_from, sound_track) WHERE sound_from IS NOT NULL;
UPDATE media_jobs j SET state = 'waiting', progress = 0
  FROM media m
 WHERE j.media_id = m.id AND j.kind = 'probe' AND j.state = 'done'
   AND m.kind = 'film' AND m.state = 'ready' AND m.hosted IS NULL AND m.has_sound
   AND EXISTS (SELECT FROM media_files f WHERE f.media_id = m.id AND f.kind = 'original');
`
