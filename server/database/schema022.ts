// What is known of the clocks by which learners watch, what was played at all, and which finished parts were borne out.

export const SCHEMA_022 = `
ALTER TABLE attempts
  -- See ClockState in core/watching; null before anything was heard.
  ADD COLUMN clock jsonb,
  -- Grows with each change of it, so that two processes do not judge by an old one.
  ADD COLUMN clock_rev int NOT NULL DEFAULT 0;

ALTER TABLE responses
  -- When it was given could not be believed, so it is taken for given when it arrived.
  ADD COLUMN is_doubtful boolean NOT NULL DEFAULT false;

ALTER TABLE attempt_coverage
  -- What was played at all, watched or not, as far as it is believed.
  ADD COLUMN played int4multirange NOT NULL DEFAULT '{}',
  -- Of the spans that are left out: those that were reported faster than time, or outside of it.
  ADD COLUMN too_fast int NOT NULL DEFAULT 0;
UPDATE attempt_coverage SET played = covered;

ALTER TABLE finished_parts
  -- What the learner did bears it out; until then it is only said to be finished.
  ADD COLUMN proven boolean NOT NULL DEFAULT false;
-- Whoever had finished before this was asked has.
UPDATE finished_parts SET proven = true;
`
