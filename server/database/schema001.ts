// The first schema. Constraints live here, not only in code.

export const SCHEMA_001 = `
CREATE TABLE people (
  id text PRIMARY KEY,
  name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
  email text UNIQUE CHECK (email = lower(email)),
  role text NOT NULL CHECK (role IN ('designer', 'learner', 'keeper', 'guest')),
  password_hash text,
  demo boolean NOT NULL DEFAULT false,
  created_at timestamptz NOT NULL DEFAULT now(),
  CHECK ((role = 'guest') = (email IS NULL)),
  CHECK (role = 'guest' OR password_hash IS NOT NULL)
);

CREATE TABLE sessions (
  sid varchar PRIMARY KEY,
  sess json NOT NULL,
  expire timestamptz NOT NULL
);
CREATE INDEX sessions_expire ON sessions (expire);

CREATE TABLE rate_limits (
  key text PRIMARY KEY,
  hits int NOT NULL,
  resets_at timestamptz NOT NULL
);

CREATE TABLE lessons (
  id text PRIMARY KEY,
  draft jsonb NOT NULL,
  revision int NOT NULL CHECK (revision >= 0),
  link_code text UNIQUE,
  created_at timestamptz NOT NULL DEFAULT now(),
  updated_at timestamptz NOT NULL DEFAULT now()
);

CREATE TABLE lesson_roles (
  lesson_id text NOT NULL REFERENCES lessons ON DELETE CASCADE,
  person_id text NOT NULL REFERENCES people ON DELETE CASCADE,
  role text NOT NULL CHECK (role IN ('owner', 'editor', 'viewer')),
  PRIMARY KEY (lesson_id, person_id)
);
CREATE INDEX lesson_roles_person ON lesson_roles (person_id);

CREATE TABLE draft_patches (
  lesson_id text NOT NULL REFERENCES lessons ON DELETE CASCADE,
  revision int NOT NULL CHECK (revision > 0),
  edit_id text NOT NULL,
  name text NOT NULL,
  patches jsonb NOT NULL,
  person_id text REFERENCES people ON DELETE SET NULL,
  made_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (lesson_id, revision),
  UNIQUE (lesson_id, edit_id)
);

CREATE TABLE editions (
  lesson_id text NOT NULL REFERENCES lessons ON DELETE CASCADE,
  number int NOT NULL CHECK (number > 0),
  document jsonb NOT NULL,
  revision int NOT NULL,
  published_at timestamptz NOT NULL DEFAULT now(),
  person_id text REFERENCES people ON DELETE SET NULL,
  PRIMARY KEY (lesson_id, number)
);

CREATE TABLE media (
  id text PRIMARY KEY,
  owner_id text NOT NULL REFERENCES people ON DELETE CASCADE,
  title text NOT NULL,
  state text NOT NULL CHECK (state IN ('preparing', 'ready', 'failed')),
  fault text CHECK (fault IN ('notAFilm', 'noPicture', 'unreadable', 'conversionFailed')),
  bytes bigint NOT NULL,
  duration_ms int CHECK (duration_ms > 0),
  frame_rate text,
  width int,
  height int,
  has_sound boolean,
  created_at timestamptz NOT NULL DEFAULT now(),
  CHECK (state <> 'ready' OR (duration_ms IS NOT NULL AND width IS NOT NULL AND height IS NOT NULL)),
  CHECK ((state = 'failed') = (fault IS NOT NULL))
);
CREATE INDEX media_owner ON media (owner_id);

CREATE TABLE media_files (
  media_id text NOT NULL REFERENCES media ON DELETE CASCADE,
  kind text NOT NULL CHECK (kind IN ('original', 'playable', 'poster', 'peaks', 'filmstrip')),
  storage_key text NOT NULL UNIQUE,
  content_type text NOT NULL,
  bytes bigint NOT NULL,
  PRIMARY KEY (media_id, kind)
);

CREATE TABLE media_jobs (
  media_id text NOT NULL REFERENCES media ON DELETE CASCADE,
  kind text NOT NULL CHECK (kind IN ('probe', 'playable', 'poster', 'peaks', 'filmstrip')),
  state text NOT NULL CHECK (state IN ('waiting', 'running', 'done', 'failed')),
  progress real NOT NULL DEFAULT 0 CHECK (progress BETWEEN 0 AND 1),
  PRIMARY KEY (media_id, kind)
);

CREATE TABLE media_uses (
  lesson_id text NOT NULL REFERENCES lessons ON DELETE CASCADE,
  media_id text NOT NULL REFERENCES media ON DELETE CASCADE,
  PRIMARY KEY (lesson_id, media_id)
);
CREATE INDEX media_uses_media ON media_uses (media_id);

CREATE TABLE attempts (
  id text PRIMARY KEY,
  lesson_id text NOT NULL,
  edition int NOT NULL,
  person_id text NOT NULL REFERENCES people ON DELETE CASCADE,
  opened_at timestamptz NOT NULL DEFAULT now(),
  last_seen_at timestamptz NOT NULL DEFAULT now(),
  finished_at timestamptz,
  place_part text,
  place_ms int NOT NULL DEFAULT 0 CHECK (place_ms >= 0),
  place_at timestamptz,
  released text[] NOT NULL DEFAULT '{}',
  FOREIGN KEY (lesson_id, edition) REFERENCES editions ON DELETE CASCADE,
  UNIQUE (lesson_id, person_id)
);
CREATE INDEX attempts_person ON attempts (person_id);

CREATE TABLE responses (
  attempt_id text NOT NULL REFERENCES attempts ON DELETE CASCADE,
  id text NOT NULL,
  cue_id text NOT NULL,
  question_id text NOT NULL,
  try_number int NOT NULL CHECK (try_number > 0),
  answer jsonb NOT NULL,
  verdict text NOT NULL CHECK (verdict IN ('right', 'partly', 'wrong', 'unmarked')),
  points real NOT NULL CHECK (points >= 0),
  answered_at timestamptz NOT NULL,
  received_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (attempt_id, id),
  UNIQUE (attempt_id, question_id, try_number)
);

-- Append-only. A client's id is unique within the month of began_at, which the client fixes once with the id,
-- so a repeat always meets its first sending.
CREATE TABLE spans (
  attempt_id text NOT NULL,
  id text NOT NULL,
  part_id text NOT NULL,
  from_ms int NOT NULL CHECK (from_ms >= 0),
  to_ms int NOT NULL,
  rate real NOT NULL CHECK (rate > 0),
  began_at timestamptz NOT NULL,
  ended_at timestamptz NOT NULL,
  muted boolean NOT NULL,
  hidden boolean NOT NULL,
  counts boolean NOT NULL,
  PRIMARY KEY (attempt_id, id, began_at),
  CHECK (from_ms < to_ms)
) PARTITION BY RANGE (began_at);
CREATE TABLE spans_other PARTITION OF spans DEFAULT;

CREATE TABLE attempt_coverage (
  attempt_id text NOT NULL REFERENCES attempts ON DELETE CASCADE,
  part_id text NOT NULL,
  covered int4multirange NOT NULL,
  left_out int NOT NULL DEFAULT 0,
  PRIMARY KEY (attempt_id, part_id)
);
`
