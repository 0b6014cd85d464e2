// Accounts: passwords, guests, the demo's accounts, the keeper's overview.
import { createHash, timingSafeEqual } from 'node:crypto'
import { hash, verify } from '@node-rs/argon2'
import { nanoid } from 'nanoid'
import type { Person, Role, Session } from '@fernbrake/core/contract'
import { col, fn, where } from 'sequelize'
import { phraseKey, signInKey } from '@fernbrake/core/classes'
import { within } from '../database/connect.ts'
import { endSessionsOf } from './queries/keeping.ts'
import { PersonRow } from '../database/models.ts'
import { checkPassword } from '../http/passwords.ts'
import { toPerson } from '../http/session.ts'
import type { Context } from '../context.ts'

/** The password of all demo accounts; shown on the sign-in page while the demo is loaded. */
export const DEMO_PASSWORD = 'cantle-steps'

// Verified where no account exists, so that the time taken does not tell whether an address is known.
const decoyHash = hash('an address that nobody has')

/** The person with this address or sign-in name and this password, or null. */
export async function findByPassword(name: string, password: string): Promise<Person | null> {
  const row = await findByName(name)
  const fits = await verify(row?.passwordHash ?? (await decoyHash), password)
  return row?.passwordHash && fits ? toPerson(row) : null
}

async function findByName(typed: string): Promise<PersonRow | null> {
  const name = typed.trim().toLowerCase()
  if (name.includes('@')) return PersonRow.findOne({ where: { email: name } })
  const exactly = await PersonRow.findOne({ where: { signIn: name } })
  const key = signInKey(name)
  if (exactly || key === '') return exactly
  // Dots and hyphens are forgiven, as long as it is plain who is meant.
  const alike = await PersonRow.findAll({
    where: where(fn('replace', col('sign_in'), '.', ''), key),
    limit: 2,
  })
  return alike.length === 1 ? alike[0]! : null
}

/** The person whose sign-in card, not used yet, has this phrase; or null. */
export async function findByCard(
  { sealing }: Context,
  name: string,
  phrase: string,
): Promise<{ personId: string; phrase: string } | null> {
  const row = await findByName(name)
  const known = row?.card ? sealing.open(row.card) : null
  const typed = phraseKey(phrase)
  return row && known !== null && isSame(known, typed) ? { personId: row.id, phrase: typed } : null
}

/** Takes as long whatever differs. */
function isSame(one: string, other: string): boolean {
  const digest = (text: string) => createHash('sha256').update(text).digest()
  return timingSafeEqual(digest(one), digest(other))
}

/**
 * Gives somebody a password, after which no card opens the account and no other session is left of it. Answers null
 * where the card that they came in by is not good any more.
 */
export async function choosePassword(
  { database, sealing }: Context,
  { personId, phrase }: { personId: string; phrase: string | null },
  password: string,
): Promise<Person | null> {
  const passwordHash = await hash(password)
  return database.transaction(async (transaction) => {
    const row = await PersonRow.findByPk(personId, { transaction, lock: transaction.LOCK.UPDATE })
    if (!row) return null
    if (phrase !== null && (!row.card || sealing.open(row.card) !== phrase)) return null
    checkPassword(password, [row.name, row.signIn, row.email, phrase])
    await row.update({ passwordHash, card: null }, { transaction })
    await endSessionsOf(within(database, transaction), personId)
    return toPerson(row)
  })
}

/** Whether this is the password of somebody who is signed in. */
export async function hasPassword(personId: string, password: string): Promise<boolean> {
  const row = await PersonRow.findByPk(personId, { attributes: ['passwordHash'] })
  return verify(row?.passwordHash ?? (await decoyHash), password)
}

export interface NewAccount {
  name: string
  email: string
  role: Exclude<Role, 'guest'>
  password: string
  demo?: boolean
  id?: string
}

export async function createAccount(account: NewAccount): Promise<Person> {
  const row = await PersonRow.create({
    id: account.id ?? nanoid(),
    name: account.name,
    email: account.email.trim().toLowerCase(),
    role: account.role,
    passwordHash: await hash(account.password),
    demo: account.demo ?? false,
  })
  return toPerson(row)
}

/** Gives the account of this address another password, asked of nobody; false where there is none. */
export async function givePassword(email: string, password: string): Promise<boolean> {
  const row = await PersonRow.findOne({ where: { email: email.trim().toLowerCase() } })
  await row?.update({ passwordHash: await hash(password) })
  return row !== null
}

/** A guest: a name without an account. */
export async function createGuest(name: string): Promise<Person> {
  const row = await PersonRow.create({
    id: nanoid(),
    name: name.trim().replace(/\s+/g, ' '),
    email: null,
    role: 'guest',
    passwordHash: null,
  })
  return toPerson(row)
}

/** Who is signed in, and the demo's accounts where there are any. */
export async function describeSession(
  person: Person | null,
  choosingId: string | null = null,
): Promise<Session> {
  const demo = await PersonRow.findAll({ where: { demo: true }, order: [['createdAt', 'ASC']] })
  const chooser = choosingId === null ? null : await PersonRow.findByPk(choosingId)
  return {
    person,
    choosing: chooser
      ? { name: chooser.name, signIn: chooser.signIn ?? chooser.email ?? '' }
      : null,
    demoAccounts: demo.flatMap(({ email, role, passwordHash }) =>
      email && passwordHash ? [{ email, role, password: DEMO_PASSWORD }] : [],
    ),
  }
}
