// Many lessons: found by their words, put away, in collections; and how often a lesson was opened.

export const SCHEMA_030 = `
-- For each of those who work on it alone.
ALTER TABLE lesson_roles ADD COLUMN put_away_at timestamptz;

-- What a draft (edition 0) or an edition can be found by, as it was at a revision; written anew when somebody searches and it is older.
CREATE TABLE lesson_words (
  lesson_id text NOT NULL REFERENCES lessons ON DELETE CASCADE,
  edition int NOT NULL CHECK (edition >= 0),
  revision int NOT NULL,
  folded text NOT NULL,
  findable jsonb NOT NULL,
  PRIMARY KEY (lesson_id, edition)
);

CREATE TABLE collections (
  id text PRIMARY KEY,
  owner_id text NOT NULL REFERENCES people ON DELETE CASCADE,
  title text NOT NULL CHECK (length(title) BETWEEN 1 AND 200),
  summary text NOT NULL DEFAULT '',
  seen_by text NOT NULL DEFAULT 'me' CHECK (seen_by IN ('me', 'link', 'everyone')),
  code text NOT NULL UNIQUE,
  changed_at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX collections_owner ON collections (owner_id);
CREATE INDEX collections_open ON collections (changed_at) WHERE seen_by = 'everyone';

CREATE TABLE collection_lessons (
  collection_id text NOT NULL REFERENCES collections ON DELETE CASCADE,
  lesson_id text NOT NULL REFERENCES lessons ON DELETE CASCADE,
  position int NOT NULL,
  PRIMARY KEY (collection_id, lesson_id)
);
CREATE INDEX collection_lessons_lesson ON collection_lessons (lesson_id);

-- Opened again within a few minutes is one opening: see noteOpening.
ALTER TABLE attempts ADD COLUMN times_opened int NOT NULL DEFAULT 1 CHECK (times_opened > 0);
ALTER TABLE attempts ADD COLUMN last_opened_at timestamptz;
`
