// SQL about how often somebody has tried something.
import { run, select, type Database } from '../../database/connect.ts'

/** Lets go of counts that are over. */
export const dropOldLimits = (database: Database): Promise<void> =>
  run(database, 'DELETE FROM rate_limits WHERE resets_at < now()')

/** Counts one more; a count that is over begins anew, for so many seconds. */
export async function countTry(
  database: Database,
  key: string,
  seconds: number,
): Promise<{ hits: number; resetsAt: Date }> {
  const [row] = await select<{ hits: number; resets_at: Date }>(
    database,
    `INSERT INTO rate_limits AS r (key, hits, resets_at)
     VALUES ($1, 1, now() + make_interval(secs => $2))
     ON CONFLICT (key) DO UPDATE SET
       hits = CASE WHEN r.resets_at < now() THEN 1 ELSE r.hits + 1 END,
       resets_at = CASE WHEN r.resets_at < now() THEN excluded.resets_at ELSE r.resets_at END
     RETURNING hits, resets_at`,
    [key, seconds],
  )
  return { hits: row!.hits, resetsAt: new Date(row!.resets_at) }
}

/** Takes one back. */
export const uncountTry = (database: Database, key: string): Promise<void> =>
  run(database, 'UPDATE rate_limits SET hits = greatest(hits - 1, 0) WHERE key = $1', [key])

export const forgetTries = (database: Database, key: string): Promise<void> =>
  run(database, 'DELETE FROM rate_limits WHERE key = $1', [key])
