// The shelf: pictures beside films, and what is to be known of either.

export const SCHEMA_006 = `
ALTER TABLE media
  ADD COLUMN kind text NOT NULL DEFAULT 'film' CHECK (kind IN ('film', 'picture')),
  ADD COLUMN description text NOT NULL DEFAULT '',
  ADD COLUMN alternative text NOT NULL DEFAULT '',
  ADD COLUMN credit text NOT NULL DEFAULT '',
  ADD COLUMN licence text NOT NULL DEFAULT '',
  ADD COLUMN source_note text NOT NULL DEFAULT '',
  ADD COLUMN tags text[] NOT NULL DEFAULT '{}';
ALTER TABLE media DROP CONSTRAINT media_fault_check;
ALTER TABLE media ADD CONSTRAINT media_fault_check CHECK
  (fault IN ('notAFilm', 'noPicture', 'unreadable', 'conversionFailed', 'notAPicture', 'tooLarge'));
ALTER TABLE media DROP CONSTRAINT media_check;
ALTER TABLE media ADD CONSTRAINT media_ready_check CHECK
  (state <> 'ready' OR (width IS NOT NULL AND height IS NOT NULL AND (kind = 'picture' OR duration_ms IS NOT NULL)));
`
