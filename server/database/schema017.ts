// Classes: who teaches and who learns in them, their groups; accounts without an email address, and sign-in cards.

export const SCHEMA_017 = `
CREATE TABLE classes (
  id text PRIMARY KEY,
  title text NOT NULL CHECK (length(title) BETWEEN 1 AND 120),
  time_zone text NOT NULL,
  join_code text UNIQUE,
  join_until timestamptz,
  is_over boolean NOT NULL DEFAULT false,
  created_at timestamptz NOT NULL DEFAULT now(),
  CHECK ((join_code IS NULL) = (join_until IS NULL))
);

CREATE TABLE class_teachers (
  class_id text NOT NULL REFERENCES classes ON DELETE CASCADE,
  person_id text NOT NULL REFERENCES people ON DELETE CASCADE,
  PRIMARY KEY (class_id, person_id)
);
CREATE INDEX class_teachers_person ON class_teachers (person_id);

-- Whoever leaves keeps the row, and with it what they did.
CREATE TABLE enrolments (
  class_id text NOT NULL REFERENCES classes ON DELETE CASCADE,
  person_id text NOT NULL REFERENCES people ON DELETE CASCADE,
  joined_at timestamptz NOT NULL DEFAULT now(),
  left_at timestamptz,
  PRIMARY KEY (class_id, person_id)
);
CREATE INDEX enrolments_person ON enrolments (person_id);

CREATE TABLE class_groups (
  class_id text NOT NULL REFERENCES classes ON DELETE CASCADE,
  id text NOT NULL,
  title text NOT NULL CHECK (length(title) BETWEEN 1 AND 120),
  PRIMARY KEY (class_id, id),
  UNIQUE (class_id, title)
);
CREATE TABLE group_members (
  class_id text NOT NULL,
  group_id text NOT NULL,
  person_id text NOT NULL,
  PRIMARY KEY (class_id, group_id, person_id),
  FOREIGN KEY (class_id, group_id) REFERENCES class_groups ON DELETE CASCADE,
  FOREIGN KEY (class_id, person_id) REFERENCES enrolments ON DELETE CASCADE
);
CREATE INDEX group_members_person ON group_members (class_id, person_id);

ALTER TABLE people ADD COLUMN sign_in text UNIQUE CHECK (sign_in = lower(sign_in) AND sign_in NOT LIKE '%@%');
-- A pass phrase that was not used yet, sealed; gone once its owner has a password.
ALTER TABLE people ADD COLUMN card bytea;
-- The class whose teachers may print cards for this account and correct its name.
ALTER TABLE people ADD COLUMN home_class text REFERENCES classes ON DELETE SET NULL;
ALTER TABLE people DROP CONSTRAINT people_check;
ALTER TABLE people DROP CONSTRAINT people_check1;
ALTER TABLE people ADD CONSTRAINT people_guests CHECK ((role = 'guest') = (email IS NULL AND sign_in IS NULL));
ALTER TABLE people ADD CONSTRAINT people_come_in
  CHECK (role = 'guest' OR password_hash IS NOT NULL OR card IS NOT NULL);
`
