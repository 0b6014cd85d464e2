// Joining a class by its code.
import { hash } from '@node-rs/argon2'
import { nanoid } from 'nanoid'
import { MOST_MEMBERS, readJoinCode, signInNameOf, takeSignInName } from '@fernbrake/core/classes'
import type { Person } from '@fernbrake/core/contract'
import { within, type Ask } from '../database/connect.ts'
import { PersonRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import { toPerson } from '../http/session.ts'
import { enrolKnown, readTakenNames } from './queries/classes.ts'
import { changingClass, whileNaming } from './classes.ts'
import type { Context } from '../context.ts'
import { checkPassword } from '../http/passwords.ts'

interface Found {
  id: string
  title: string
}

/** The class that people may join by this code now. */
async function findByCode(ask: Ask, typed: string): Promise<Found> {
  const code = readJoinCode(typed)
  const rows = code
    ? await ask<Found>(
        'SELECT id, title FROM classes WHERE join_code = $1 AND join_until > now() AND NOT is_over',
        [code],
      )
    : []
  if (!rows[0]) throw new HttpError('not-found', { detail: NO_CLASS })
  return rows[0]
}

const NO_CLASS =
  'No class can be joined with this code. It may have run out; ask your teacher for a new one.'

export async function describeJoining({ database }: Context, typed: string, person: Person | null) {
  const ask = within(database)
  const { id, title } = await findByCode(ask, typed)
  const there = person
    ? await ask(
        'SELECT 1 FROM enrolments WHERE class_id = $1 AND person_id = $2 AND left_at IS NULL',
        [id, person.id],
      )
    : []
  return { title, isMember: there.length > 0 }
}

/**
 * Puts somebody into the class: who is signed in as they are; anybody else, and a guest, with an account made for it.
 * A guest's account keeps what the guest did.
 */
export async function joinClass(
  context: Context,
  typed: string,
  person: Person | null,
  { name, password }: { name?: string | undefined; password?: string | undefined },
): Promise<{ person: Person; title: string; signIn: string | null }> {
  const found = await findByCode(within(context.database), typed)
  const needsAccount = !person || person.role === 'guest'
  const fullName = person?.name ?? name
  if (needsAccount && (fullName === undefined || password === undefined))
    throw new HttpError('invalid-input', {
      issues: [{ path: ['body'], code: 'missing', message: 'needs a name and a password' }],
    })
  const secret = needsAccount ? await hashed(password!, fullName!) : null
  return changingClass(context, found.id, async (ask, transaction) => {
    const [{ count }] = (await ask<{ count: number }>(
      'SELECT count(*)::int AS count FROM enrolments WHERE class_id = $1',
      [found.id],
    )) as [{ count: number }]
    if (count >= MOST_MEMBERS) throw new HttpError('class-full')
    if (!needsAccount) {
      await enrolKnown(ask, found.id, [person.id])
      return { person, title: found.title, signIn: null }
    }
    await whileNaming(ask)
    const wanted = signInNameOf(fullName!)
    const signIn = takeSignInName(wanted, await readTakenNames(ask, [wanted]))
    const role = 'learner' as const
    const account = { signIn, role, passwordHash: secret, homeClass: found.id }
    const id = person?.id ?? nanoid()
    if (person) await PersonRow.update(account, { where: { id }, transaction })
    else
      await PersonRow.create(
        { ...account, id, name: fullName!.trim(), email: null },
        { transaction },
      )
    await enrolKnown(ask, found.id, [id])
    const row = await PersonRow.findByPk(id, { transaction })
    return { person: toPerson(row!), title: found.title, signIn }
  })
}

function hashed(password: string, name: string): Promise<string> {
  checkPassword(password, [name, signInNameOf(name)])
  return hash(password)
}
