// Limits on guessing, counted in the database so that all server processes count together.
import { createHash } from 'node:crypto'
import express, { type Request } from 'express'
import {
  ipKeyGenerator,
  rateLimit,
  type ClientRateLimitInfo,
  type RateLimitRequestHandler,
  type Store,
} from 'express-rate-limit'
import { signInKey } from '@fernbrake/core/classes'
import type { Database } from '../database/connect.ts'
import { HttpError } from './HttpError.ts'
import { countTry, forgetTries, uncountTry } from './queries/rateLimits.ts'
import { personOf } from './session.ts'

const WINDOW_MS = 10 * 60 * 1000
const MOST_FAILURES = 10
/** A whole school may stand behind one address, and many of it mistype a new phrase. */
const MOST_FAILURES_OF_ADDRESS = 150
const MOST_WRONG_CODES = 30

/**
 * Ten failed sign-ins in ten minutes as one name from one address, or a hundred and fifty from it under whatever names, then
 * a wait. Successes do not count, and neither does a form that was sent half-filled.
 */
export const limitSignIns = (database: Database) => [
  limitGuesses(database, { prefix: 'all ', limit: MOST_FAILURES_OF_ADDRESS, wrong: 401 }),
  // The name is in the body; who sends it well-formed is limited by it, who does not is refused later anyway.
  express.json({ limit: SIGN_IN_LIMIT, type: () => true }),
  limitGuesses(database, { prefix: '', limit: MOST_FAILURES, wrong: 401, by: nameIn }),
]
const SIGN_IN_LIMIT = 64 * 1024

/** However a name is typed it is one name, and no name is longer than an address. */
function nameIn({ body, session }: Request): string {
  const { email } = (body ?? {}) as { email?: unknown }
  const name = typeof email === 'string' ? signInKey(email).slice(0, 200) : ''
  const who = name || (session.personId ?? session.choosing?.personId ?? '')
  // Counted without being told: nobody's name is left in the table.
  return createHash('sha256').update(who).digest('base64url').slice(0, 22)
}

/** Codes of classes that do not exist: a class may mistype a few, nobody tries thousands. */
export const limitCodes = (database: Database) =>
  limitGuesses(database, { prefix: 'code ', limit: MOST_WRONG_CODES, wrong: 404 })

/** A large school may open a lesson at one time from one address; nobody needs thousands of guests. */
const MOST_GUESTS = 600

/** Guests that are made from one address; whoever is signed in is none. */
export const limitGuests = (database: Database) =>
  rateLimit({
    windowMs: WINDOW_MS,
    limit: MOST_GUESTS,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    skip: (request) => personOf(request) !== null,
    validate: { xForwardedForHeader: false },
    store: new DatabaseStore(database, 'guest '),
    handler: (_request, _response, next) =>
      next(new HttpError('too-many-tries', { reason: 'tooManyGuests' })),
  })

function limitGuesses(
  database: Database,
  {
    prefix,
    limit,
    wrong,
    by,
  }: { prefix: string; limit: number; wrong: number; by?: (request: Request) => string },
): RateLimitRequestHandler {
  const keyOf = by && ((request: Request) => `${ipKeyGenerator(request.ip ?? '')} ${by(request)}`)
  return rateLimit({
    ...(keyOf ? { keyGenerator: keyOf } : {}),
    windowMs: WINDOW_MS,
    limit,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    skipSuccessfulRequests: true,
    requestWasSuccessful: (_request, response) => response.statusCode !== wrong,
    // Whose word is taken on who asks is the settings' affair; without any, whoever connects is who asks.
    validate: { xForwardedForHeader: false },
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
    const counted = await countTry(this.#database, this.#prefix + key, WINDOW_MS / 1000)
    return { totalHits: counted.hits, resetTime: counted.resetsAt }
  }

  async decrement(key: string): Promise<void> {
    await uncountTry(this.#database, this.#prefix + key)
  }

  async resetKey(key: string): Promise<void> {
    await forgetTries(this.#database, this.#prefix + key)
  }
}
