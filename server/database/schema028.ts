// What was watched, as it was played on: so that what a class watched is counted without reading every span.

/**
 * So many ends of runs are kept of an attempt and part: whoever jumps about more than five hundred times is counted from their spans, so
 * that no row grows without bounds.
 */
export const MOST_ENDS = 1000

/** Fills the runs of every attempt from its spans. */
export const FILL_RUNS = `
WITH ordered AS (
  SELECT attempt_id, part_id, began_at, id, from_ms, to_ms,
         lag(to_ms) OVER played IS DISTINCT FROM from_ms AS begins,
         lead(from_ms) OVER played IS DISTINCT FROM to_ms AS ends
    FROM spans WHERE counts WINDOW played AS (PARTITION BY attempt_id, part_id ORDER BY began_at, id)),
edges AS (
  SELECT attempt_id, part_id, began_at, id, 0 AS side, from_ms AS ms FROM ordered WHERE begins
  UNION ALL
  SELECT attempt_id, part_id, began_at, id, 1, to_ms FROM ordered WHERE ends)
UPDATE attempt_coverage c SET runs = CASE WHEN cardinality(known.runs) <= ${MOST_ENDS} THEN known.runs END
  FROM (SELECT attempt_id, part_id, array_agg(ms ORDER BY began_at, id, side) AS runs FROM edges GROUP BY attempt_id, part_id) AS known
 WHERE c.attempt_id = known.attempt_id AND c.part_id = known.part_id;
`

export const SCHEMA_028 = `
-- Both ends of each stretch that counts, in the order in which they were played, each joined to the one before where it goes on from
-- its end; see runsOf in core/watching. Null where they are too many.
ALTER TABLE attempt_coverage ADD COLUMN runs int4[] DEFAULT '{}';
${FILL_RUNS}`
