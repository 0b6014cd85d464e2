// Who somebody is elsewhere, in which language they were here last, and what is to be done once a transaction is stored.

export const SCHEMA_027 = `
ALTER TABLE people ADD COLUMN language text;
CREATE TABLE identities (
  provider text NOT NULL,
  subject text NOT NULL,
  person_id text NOT NULL REFERENCES people ON DELETE CASCADE,
  added_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (provider, subject)
);
CREATE INDEX identities_of_person ON identities (person_id);
CREATE TABLE outbox (
  id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  kind text NOT NULL,
  key text NOT NULL,
  payload jsonb NOT NULL,
  tries int NOT NULL DEFAULT 0,
  not_before timestamptz NOT NULL DEFAULT now(),
  fault text,
  made_at timestamptz NOT NULL DEFAULT now()
);
ALTER TABLE mails ALTER COLUMN message DROP NOT NULL;
CREATE INDEX outbox_by_key ON outbox (kind, key, id);
`
