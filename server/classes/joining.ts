// Joining a class by its code.
import { hash } from '@node-rs/argon2'
import { nanoid } from 'nanoid'
import { MOST_MEMBERS, readJoinCode, signInNameOf, chooseSignInName } from '@fernbrake/core/classes'
import type { Person } from '@fernbrake/core/contract'
import { within, type Ask } from '../database/connect.ts'
import { PersonRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import { toPerson } from '../http/session.ts'
import {
  countEnrolled,
  enrolKnown,
  isEnrolled,
  readByCode,
  readTakenNames,
  whileNaming,
} from './queries/classes.ts'
import { changingClass } from './classes.ts'
import type { Context } from '../context.ts'
import { checkPassword } from '../http/passwords.ts'

interface Found {
  id: string
  title: string
}

/** The class that people may join by this code now. */
async function findByCode(ask: Ask, typed: string): Promise<Found> {
  const code = readJoinCode(typed)
  const found = code ? await readByCode(ask, code) : null
  if (!found) throw new HttpError('not-found', { reason: 'noClassHere' })
  return found
}

export async function describeJoining({ database }: Context, typed: string, person: Person | null) {
  const ask = within(database)
  const { id, title } = await findByCode(ask, typed)
  return { title, isMember: person !== null && (await isEnrolled(ask, id, person.id, 'now')) }
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
    if ((await countEnrolled(ask, found.id)) >= MOST_MEMBERS) throw new HttpError('class-full')
    if (!needsAccount) {
      await enrolKnown(ask, found.id, [person.id])
      return { person, title: found.title, signIn: null }
    }
    await whileNaming(ask)
    const wanted = signInNameOf(fullName!)
    const signIn = chooseSignInName(wanted, await readTakenNames(ask, [wanted]))
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
