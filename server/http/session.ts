// Sessions in the database, and who is behind a request.
import connectPgSimple from 'connect-pg-simple'
import type { Request, RequestHandler } from 'express'
import session from 'express-session'
import type pg from 'pg'
import type { Person } from '@fernbrake/core/contract'
import { PersonRow } from '../database/models.ts'

declare module 'express-session' {
  interface SessionData {
    personId: string
  }
}

const MONTH_MS = 30 * 24 * 60 * 60 * 1000

export const SESSION_COOKIE = 'fernbrake'

/** The session middleware, for requests and for sockets alike. */
export function createSessions(pool: pg.Pool, secret: string): RequestHandler {
  const PgStore = connectPgSimple(session)
  return session({
    name: SESSION_COOKIE,
    secret,
    // A session ends a month after signing in, so that a request need not write to it.
    store: new PgStore({
      pool,
      tableName: 'sessions',
      pruneSessionInterval: 60 * 60,
      disableTouch: true,
    }),
    resave: false,
    saveUninitialized: false,
    cookie: { httpOnly: true, sameSite: 'lax', secure: 'auto', maxAge: MONTH_MS },
    proxy: true,
  })
}

/** The person signed in here, or null; one whose account is gone counts as nobody. */
export async function personOf(request: Request): Promise<Person | null> {
  const { personId } = request.session
  if (!personId) return null
  const row = await PersonRow.findByPk(personId)
  return row ? toPerson(row) : null
}

export function toPerson({ id, name, email, role }: PersonRow): Person {
  return { id, name, email, role }
}

/** Begins a fresh session for a person; the old session id is of no use any more. */
export async function beginSession(request: Request, personId: string): Promise<void> {
  await new Promise<void>((resolve, reject) =>
    request.session.regenerate((error: unknown) => (error ? reject(error as Error) : resolve())),
  )
  request.session.personId = personId
  await new Promise<void>((resolve, reject) =>
    request.session.save((error: unknown) => (error ? reject(error as Error) : resolve())),
  )
}

export async function endSession(request: Request): Promise<void> {
  await new Promise<void>((resolve, reject) =>
    request.session.destroy((error: unknown) => (error ? reject(error as Error) : resolve())),
  )
}
