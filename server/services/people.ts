// Accounts: passwords, guests, the demo's accounts, the keeper's overview.
import { hash, verify } from '@node-rs/argon2'
import { nanoid } from 'nanoid'
import type { KeeperOverview, Person, Role, Session } from '@fernbrake/core/contract'
import { select } from '../database/connect.ts'
import { PersonRow } from '../database/models.ts'
import { toPerson } from '../http/session.ts'
import type { Context } from './context.ts'

/** The password of all demo accounts; shown on the sign-in page while the demo is loaded. */
export const DEMO_PASSWORD = 'cantle-steps'

// Verified where no account exists, so that the time taken does not tell whether an address is known.
const decoyHash = hash('an address that nobody has')

/** The person with this address and password, or null. */
export async function findByPassword(email: string, password: string): Promise<Person | null> {
  const row = await PersonRow.findOne({ where: { email: email.trim().toLowerCase() } })
  const fits = await verify(row?.passwordHash ?? (await decoyHash), password)
  return row?.passwordHash && fits ? toPerson(row) : null
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
export async function describeSession(person: Person | null): Promise<Session> {
  const demo = await PersonRow.findAll({ where: { demo: true }, order: [['createdAt', 'ASC']] })
  return {
    person,
    demoAccounts: demo.flatMap(({ email, role, passwordHash }) =>
      email && passwordHash ? [{ email, role, password: DEMO_PASSWORD }] : [],
    ),
  }
}

export async function overviewForKeeper({ database, store }: Context): Promise<KeeperOverview> {
  const people = await PersonRow.findAll({ order: [['createdAt', 'ASC']], limit: 1000 })
  const [totals] = await select<{ lessons: number; files: number; bytes: string }>(
    database,
    `SELECT (SELECT count(*)::int FROM lessons) AS lessons,
            count(*)::int AS files, coalesce(sum(bytes), 0) AS bytes FROM media_files`,
  )
  return {
    people: people.map((row) => ({ ...toPerson(row), createdAt: row.createdAt.toISOString() })),
    lessons: totals!.lessons,
    mediaFiles: totals!.files,
    mediaBytes: Number(totals!.bytes),
    freeBytes: await store.freeBytes(),
  }
}
