// The tables that any type of document needs which several edit: its log of patches, and states that are kept of it.

/** What they are called, and by which column they name the document. Names of ours: none comes from outside. */
export interface DraftTables {
  patches: string
  snapshots: string
  key: string
}

/** Makes them, for documents whose rows stand in `owner`, as SQL for a migration; they go with their document. */
export const draftTables = ({ patches, snapshots, key }: DraftTables, owner: string): string => `
CREATE TABLE ${patches} (
  ${key} text NOT NULL REFERENCES ${owner} ON DELETE CASCADE,
  revision int NOT NULL CHECK (revision > 0),
  edit_id text NOT NULL,
  name text NOT NULL,
  patches jsonb NOT NULL,
  person_id text REFERENCES people ON DELETE SET NULL,
  made_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (${key}, revision),
  UNIQUE (${key}, edit_id)
);
CREATE TABLE ${snapshots} (
  ${key} text NOT NULL REFERENCES ${owner} ON DELETE CASCADE,
  revision int NOT NULL CHECK (revision >= 0),
  document jsonb NOT NULL,
  PRIMARY KEY (${key}, revision)
);
`
