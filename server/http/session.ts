// Sessions in the database, and who is behind a request.
import connectPgSimple from 'connect-pg-simple'
import type { Request, RequestHandler } from 'express'
import session from 'express-session'
import type pg from 'pg'
import type { Person } from '@fernbrake/core/contract'
import { findSession } from './queries/sessions.ts'
import { originOf } from './security.ts'
import { PersonRow } from '../database/models.ts'
import { languageOfRequest } from './language.ts'

declare module 'express-session' {
  interface SessionData {
    personId: string
    /** Came in by a sign-in card, and may do nothing but choose a password: who, and with which phrase. */
    choosing: { personId: string; phrase: string }
    /** Who that is now, read along with the session; null where the account is gone. */
    person: Person | null
  }
}

const MONTH_MS = 30 * 24 * 60 * 60 * 1000

export const SESSION_COOKIE = 'fernbrake'

/** The session middleware, for requests and for sockets alike. */
export function createSessions(pool: pg.Pool, secret: string): RequestHandler {
  return session({
    name: SESSION_COOKIE,
    secret,
    store: createStore(pool),
    resave: false,
    saveUninitialized: false,
    cookie: { httpOnly: true, sameSite: 'lax', secure: 'auto', maxAge: MONTH_MS },
    proxy: true,
  })
}

function createStore(pool: pg.Pool): session.Store {
  const PgStore = connectPgSimple(session)
  const store = new PgStore({
    pool,
    tableName: 'sessions',
    pruneSessionInterval: 60 * 60,
    // A session ends a month after signing in, so that a request need not write to it.
    disableTouch: true,
  })
  // Every request asks for both, so they are read as one.
  store.get = (sid, done) => void readSession(pool, sid).then((found) => done(null, found), done)
  return store
}

async function readSession(pool: pg.Pool, sid: string): Promise<session.SessionData | null> {
  const found = await findSession(pool, sid)
  return found ? { ...found.sess, person: found.id === null ? null : toPerson(found) } : null
}

/** The person signed in here, or null; one whose account is gone counts as nobody. */
export function personOf(request: Request): Person | null {
  return request.session.person ?? null
}

export function toPerson({ id, name, email, role }: Person | PersonRow): Person {
  return { id, name, email, role }
}

/**
 * A session begun in a frame on another site: browsers keep its cookie only like this, apart for each site that frames
 * us, so that no other site can use it.
 */
const FRAMED_COOKIE = { sameSite: 'none', secure: true, partitioned: true } as const

/** A session of its own under a new id; the old id is of no use any more. */
async function freshSession(request: Request, fill: () => void): Promise<void> {
  await new Promise<void>((resolve, reject) =>
    request.session.regenerate((error: unknown) => (error ? reject(error as Error) : resolve())),
  )
  fill()
  await new Promise<void>((resolve, reject) =>
    request.session.save((error: unknown) => (error ? reject(error as Error) : resolve())),
  )
}

/** Begins a fresh session for a person. */
export async function beginSession(request: Request, personId: string): Promise<void> {
  await freshSession(request, () => {
    request.session.personId = personId
    if (request.get('X-Embedded') && originOf(request).startsWith('https:'))
      Object.assign(request.session.cookie, FRAMED_COOKIE)
  })
  // What is sent to them later is in the language that they are here in now.
  await PersonRow.update({ language: languageOfRequest(request) }, { where: { id: personId } })
}

/** Begins a session in which a person chooses a password first; nobody is signed in by it. */
export const beginChoosing = (
  request: Request,
  choosing: { personId: string; phrase: string },
): Promise<void> => freshSession(request, () => (request.session.choosing = choosing))

export async function endSession(request: Request): Promise<void> {
  await new Promise<void>((resolve, reject) =>
    request.session.destroy((error: unknown) => (error ? reject(error as Error) : resolve())),
  )
}
