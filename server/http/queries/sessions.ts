// A session and whose it is: asked with every request, so the database plans it once on each connection.
import type { SessionData } from 'express-session'
import type pg from 'pg'
import type { Person } from '@fernbrake/core/contract'

/** Without a person where nobody is signed in, or the account is gone. */
export type SessionRow = { sess: SessionData } & (Person | { id: null })

export async function findSession(pool: pg.Pool, sid: string): Promise<SessionRow | null> {
  const { rows } = await pool.query<SessionRow>({
    name: 'read-session',
    text: `SELECT s.sess, p.id, p.name, p.email, p.role
             FROM sessions s LEFT JOIN people p ON p.id = s.sess->>'personId'
            WHERE s.sid = $1 AND s.expire >= now()`,
    values: [sid],
  })
  return rows[0] ?? null
}
