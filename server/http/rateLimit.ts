// Limits on guessing, counted in the database so that all server processes count together.
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
const MOST_WRONG_CODES = 30

/** Ten failed sign-ins in ten minutes from one address, then a wait. Successes do not count. */
export const limitSignIns = (database: Database) =>
  // Only a wrong password counts; a form that was sent half-filled is no guess.
  limitGuesses(database, { prefix: '', limit: MOST_FAILURES, wrong: 401 })

/** Codes of classes that do not exist: a class may mistype a few, nobody tries thousands. */
export const limitCodes = (database: Database) =>
  limitGuesses(database, { prefix: 'code ', limit: MOST_WRONG_CODES, wrong: 404 })

function limitGuesses(
  database: Database,
  { prefix, limit, wrong }: { prefix: string; limit: number; wrong: number },
): RateLimitRequestHandler {
  return rateLimit({
    windowMs: WINDOW_MS,
    limit,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    skipSuccessfulRequests: true,
    requestWasSuccessful: (_request, response) => response.statusCode !== wrong,
    store: new DatabaseStore(database, prefix),
    handler: (_request, _response, next) => next(new HttpError('too-many-tries')),
  })
}

class DatabaseStore implements Store {
  readonly #database: Database
  readonly #prefix: string

  constructor(database: Database, prefix: string) {
    this.#database = database
    this.#prefix = prefix
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
      [this.#prefix + key, WINDOW_MS / 1000],
    )
    return { totalHits: row!.hits, resetTime: new Date(row!.resets_at) }
  }

  async decrement(key: string): Promise<void> {
    await run(
      this.#database,
      'UPDATE rate_limits SET hits = greatest(hits - 1, 0) WHERE key = $1',
      [this.#prefix + key],
    )
  }

  async resetKey(key: string): Promise<void> {
    await run(this.#database, 'DELETE FROM rate_limits WHERE key = $1', [this.#prefix + key])
  }
}
