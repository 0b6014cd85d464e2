// A limit on failed sign-ins, counted in the database so that all server processes count together.
import {
  rateLimit,
  type ClientRateLimitInfo,
  type RateLimitRequestHandler,
  type Store,
} from 'express-rate-limit'
import { run, select, type Database } from '../database/connect.ts'
import { HttpError } from './HttpError.ts'

const WINDOW_MS = 10 * 60 * 1000
const MOST_FAILURES = 10

/** Ten failed sign-ins in ten minutes from one address, then a wait. Successes do not count. */
export function limitSignIns(database: Database): RateLimitRequestHandler {
  return rateLimit({
    windowMs: WINDOW_MS,
    limit: MOST_FAILURES,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    skipSuccessfulRequests: true,
    // Only a wrong password counts; a form that was sent half-filled is no guess.
    requestWasSuccessful: (_request, response) => response.statusCode !== 401,
    store: new DatabaseStore(database),
    handler: (_request, _response, next) => next(new HttpError('too-many-tries')),
  })
}

class DatabaseStore implements Store {
  readonly #database: Database

  constructor(database: Database) {
    this.#database = database
  }

  async increment(key: string): Promise<ClientRateLimitInfo> {
    const [row] = await select<{ hits: number; resets_at: Date }>(
      this.#database,
      `INSERT INTO rate_limits AS r (key, hits, resets_at)
       VALUES ($1, 1, now() + make_interval(secs => $2))
       ON CONFLICT (key) DO UPDATE SET
         hits = CASE WHEN r.resets_at < now() THEN 1 ELSE r.hits + 1 END,
         resets_at = CASE WHEN r.resets_at < now() THEN excluded.resets_at ELSE r.resets_at END
       RETURNING hits, resets_at`,
      [key, WINDOW_MS / 1000],
    )
    return { totalHits: row!.hits, resetTime: new Date(row!.resets_at) }
  }

  async decrement(key: string): Promise<void> {
    await run(
      this.#database,
      'UPDATE rate_limits SET hits = greatest(hits - 1, 0) WHERE key = $1',
      [key],
    )
  }

  async resetKey(key: string): Promise<void> {
    await run(this.#database, 'DELETE FROM rate_limits WHERE key = $1', [key])
  }
}
