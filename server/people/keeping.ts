// The keeper's tasks: accounts, passwords, removal, and all that is held about one person.
import { randomBytes } from 'node:crypto'
import { once } from 'node:events'
import type { Writable } from 'node:stream'
import { strToU8, Zip, ZipDeflate, ZipPassThrough } from 'fflate'
import { UniqueConstraintError, type Transaction } from 'sequelize'
import { passPhraseOf } from '@fernbrake/core/classes'
import type { BodyOf, contract, KeeperOverview, KeptPerson, Person } from '@fernbrake/core/contract'
import { within } from '../database/connect.ts'
import { PersonRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import {
  endSessionsOf,
  readHandedOf,
  readHeld,
  readHolds,
  readKept,
  readSpace,
  removePerson as removeRows,
} from './queries/keeping.ts'
import type { Context, Stored } from '../context.ts'

export async function overviewForKeeper({
  database,
  store,
  room,
}: Context): Promise<KeeperOverview> {
  const ask = within(database)
  const [people, space, freeBytes] = await Promise.all([
    readKept(ask),
    readSpace(ask),
    store.freeBytes(),
  ])
  return { people, ...space, freeBytes, isReadOnly: room.isReadOnly() }
}

async function kept({ database }: Context, personId: string): Promise<KeptPerson> {
  const [person] = await readKept(within(database), personId)
  if (!person) throw new HttpError('not-found')
  return person
}

type WithPhrase = { person: KeptPerson; phrase: string }

/** Makes an account that has no password yet: a phrase opens the choice of one, as a sign-in card does. */
export async function addPerson(
  context: Context,
  { id, name, email, role }: BodyOf<(typeof contract)['addPerson']>,
): Promise<WithPhrase> {
  const phrase = passPhraseOf(randomBytes)
  const card = context.sealing.seal(phrase)
  try {
    const address = email.trim().toLowerCase()
    await PersonRow.create({ id, name, email: address, role, passwordHash: null, card })
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error
    throw new HttpError('already-exists', { reason: 'addressThere' })
  }
  return { person: await kept(context, id), phrase }
}

/** Another name or role. One keeper is always left. */
export async function changePerson(
  context: Context,
  personId: string,
  { name, role }: { name?: string | undefined; role?: KeptPerson['role'] | undefined },
): Promise<KeptPerson> {
  await context.database.transaction(async (transaction) => {
    const keepers = await lockKeepers(transaction)
    const row = await PersonRow.findByPk(personId, { transaction, lock: transaction.LOCK.UPDATE })
    if (!row) throw new HttpError('not-found')
    if (row.role === 'guest' && role !== undefined)
      throw new HttpError('not-allowed', { reason: 'guestsHaveNoRole' })
    if (role !== undefined && role !== 'keeper') leaveAKeeper(row, keepers)
    const change = { ...(name ? { name } : {}), ...(role ? { role } : {}) }
    const leavesClass = role !== undefined && role !== row.role && row.homeClass !== null
    await row.update({ ...change, ...(leavesClass ? OUT_OF_CLASS : {}) }, { transaction })
    // Whoever else knew how to get in with a card may have done so.
    if (leavesClass) await endSessionsOf(within(context.database, transaction), personId)
  })
  context.accessChanged({ personId })
  return kept(context, personId)
}

/** An account that a class made is its own from another role on: the class prints no card of it and changes no name. */
const OUT_OF_CLASS = { homeClass: null, card: null }

/** Before anything else is locked, and always in the same order: two keepers who leave at once wait for each other. */
async function lockKeepers(transaction: Transaction): Promise<number> {
  const keepers = await PersonRow.findAll({
    where: { role: 'keeper' },
    order: [['id', 'ASC']],
    attributes: ['id'],
    transaction,
    lock: transaction.LOCK.UPDATE,
  })
  return keepers.length
}

function leaveAKeeper(row: PersonRow, keepers: number): void {
  if (row.role === 'keeper' && keepers < 2)
    throw new HttpError('last-owner', { reason: 'onlyKeeper' })
}

/** Takes the password away and ends all sessions; a phrase opens the choice of a new one. */
export async function resetPassword(context: Context, personId: string): Promise<WithPhrase> {
  const { database, sealing } = context
  const phrase = passPhraseOf(randomBytes)
  await database.transaction(async (transaction) => {
    const row = await PersonRow.findByPk(personId, { transaction, lock: transaction.LOCK.UPDATE })
    if (!row) throw new HttpError('not-found')
    if (row.role === 'guest') throw new HttpError('not-allowed', { reason: 'guestsHaveNoPassword' })
    await row.update({ passwordHash: null, card: sealing.seal(phrase) }, { transaction })
    await endSessionsOf(within(database, transaction), personId)
  })
  context.accessChanged({ personId })
  return { person: await kept(context, personId), phrase }
}

/** Removes somebody with their records and files, unless lessons, classes or films would be left without anybody. */
export async function removePerson(
  { database, store, dropUploadsOf, accessChanged }: Context,
  keeper: Person,
  personId: string,
): Promise<{ attempts: number; files: number }> {
  if (personId === keeper.id) throw new HttpError('not-allowed', { reason: 'notOneself' })
  const { attempts, keys } = await database.transaction(async (transaction) => {
    const keepers = await lockKeepers(transaction)
    // What arrives of this person meanwhile may still name them; it is waited for below, and goes with the rest.
    const lock = transaction.LOCK.NO_KEY_UPDATE
    const row = await PersonRow.findByPk(personId, { transaction, lock })
    if (!row) throw new HttpError('not-found')
    leaveAKeeper(row, keepers)
    const ask = within(database, transaction)
    const { lessons, classes, media } = await readHolds(ask, personId)
    if (lessons + classes + media > 0)
      throw new HttpError('last-owner', {
        reason: 'leavesOrphans',
        facts: { lessons, classes, media },
      })
    return removeRows(ask, personId)
  })
  // The rows are gone for good; a file that stays for now is in nobody's way.
  await Promise.allSettled([...keys.map((key) => store.remove(key)), dropUploadsOf(personId)])
  accessChanged({ personId })
  return { attempts, files: keys.length }
}

/** A name of a file within an archive: nothing that leads anywhere. */
const plainName = (name: string) => name.replace(/[^\p{L}\p{N} ._-]+/gu, '_').replace(/^\.+/, '')

/**
 * Everything the database holds of somebody as JSON, and the files that they handed in: answers with what writes the archive.
 */
export async function exportPerson(
  { database, store }: Context,
  personId: string,
): Promise<(to: Writable) => Promise<void>> {
  const ask = within(database)
  const held = await readHeld(ask, personId)
  if (held.account!.length === 0) throw new HttpError('not-found')
  const files = await readHandedOf(ask, personId)
  return (to) => writeArchive(to, held, files, (key) => store.open(key))
}

/** Writes as fast as it is read at the other end. */
async function writeArchive(
  to: Writable,
  held: object,
  files: readonly { key: string; name: string }[],
  open: (key: string) => Promise<Stored | null>,
): Promise<void> {
  const zip = new Zip((error, chunk, isLast) => {
    if (error) return to.destroy(error)
    to.write(chunk)
    if (isLast) to.end()
  })
  const about = new ZipDeflate('person.json')
  zip.add(about)
  about.push(strToU8(JSON.stringify(held, null, 2)), true)
  for (const [index, { key, name }] of files.entries()) {
    const entry = new ZipPassThrough(`files/${index + 1} ${plainName(name)}`)
    zip.add(entry)
    const stored = await open(key)
    if (!stored) throw new Error(`The file ${key} is not in the store`)
    for await (const chunk of stored.read()) {
      entry.push(chunk as Buffer)
      if (to.writableNeedDrain) await once(to, 'drain')
    }
    entry.push(new Uint8Array(), true)
  }
  zip.end()
}
