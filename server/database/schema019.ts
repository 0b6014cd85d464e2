// Marks that people give, comments they keep, what a learner had seen when they answered, mails, and weights.

export const SCHEMA_019 = `
CREATE TABLE marks (
  attempt_id text NOT NULL,
  response_id text NOT NULL,
  -- Before the deduction for tries, like those of responses.
  points real NOT NULL CHECK (points >= 0),
  verdict text NOT NULL CHECK (verdict IN ('right', 'partly', 'wrong')),
  levels jsonb,
  comment text NOT NULL DEFAULT '',
  -- Grows with each change, so that two who mark do not overwrite each other.
  revision int NOT NULL CHECK (revision > 0),
  person_id text REFERENCES people ON DELETE SET NULL,
  marked_at timestamptz NOT NULL DEFAULT now(),
  -- From then on the learner sees it.
  released_at timestamptz,
  PRIMARY KEY (attempt_id, response_id),
  FOREIGN KEY (attempt_id, response_id) REFERENCES responses (attempt_id, id) ON DELETE CASCADE
);

CREATE TABLE kept_comments (
  id text PRIMARY KEY,
  person_id text NOT NULL REFERENCES people ON DELETE CASCADE,
  words text NOT NULL,
  kept_at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX kept_comments_person ON kept_comments (person_id);

ALTER TABLE responses
  -- The share of the stretch that answers the question that had been watched by then; null where nobody knows.
  ADD COLUMN seen_share real CHECK (seen_share BETWEEN 0 AND 1),
  -- How long the question had been open, in ms; null where nobody knows.
  ADD COLUMN took_ms int CHECK (took_ms >= 0);

-- What was watched more than once.
ALTER TABLE attempt_coverage ADD COLUMN again int4multirange NOT NULL DEFAULT '{}';
UPDATE attempt_coverage c SET again = twice.again
  FROM (SELECT a.attempt_id, a.part_id,
               range_agg(int4range(a.from_ms, a.to_ms) * int4range(b.from_ms, b.to_ms)) AS again
          FROM spans a JOIN spans b ON b.attempt_id = a.attempt_id AND b.part_id = a.part_id AND b.id > a.id
           AND int4range(a.from_ms, a.to_ms) && int4range(b.from_ms, b.to_ms)
         WHERE a.counts AND b.counts GROUP BY a.attempt_id, a.part_id) AS twice
 WHERE c.attempt_id = twice.attempt_id AND c.part_id = twice.part_id;

CREATE TABLE mails (
  id text PRIMARY KEY,
  -- Whose doing it was.
  person_id text REFERENCES people ON DELETE CASCADE,
  recipient text NOT NULL,
  subject text NOT NULL,
  body text NOT NULL,
  -- The message as it would have gone out (RFC 5322).
  message bytea NOT NULL,
  made_at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX mails_recipient ON mails (recipient, made_at);
CREATE INDEX mails_person ON mails (person_id, made_at);
CREATE TABLE mail_files (
  mail_id text NOT NULL REFERENCES mails ON DELETE CASCADE,
  position int NOT NULL,
  name text NOT NULL,
  content_type text NOT NULL,
  content bytea NOT NULL,
  PRIMARY KEY (mail_id, position)
);

-- How much an assignment weighs in the mark book.
ALTER TABLE assignments ADD COLUMN weight real NOT NULL DEFAULT 1 CHECK (weight BETWEEN 0 AND 100);
`
