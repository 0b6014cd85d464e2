// Collections of lessons: made by a designer for themselves, or shared as a page that anyone can open.
import { nanoid } from 'nanoid'
import type {
  BodyOf,
  Collection,
  contract,
  OpenCollection,
  OpenLesson,
  Person,
} from '@fernbrake/core/contract'
import { MOST_IN_COLLECTION } from '@fernbrake/core/contract'
import { within, type Ask, type Database } from '../database/connect.ts'
import { HttpError } from '../http/HttpError.ts'
import {
  countCollections,
  countMine,
  deleteCollection,
  insertCollection,
  lessonsIn,
  lessonsShown,
  lockCollection,
  readCollection,
  readCollections,
  readShared,
  storeAbout,
  storeLessons,
} from './queries/collections.ts'
import type { OpenRow } from './queries/sharing.ts'

/** As many as one person keeps. */
const MOST_COLLECTIONS = 500

export const listCollections = (database: Database, person: Person): Promise<Collection[]> =>
  readCollections(within(database), person.id)

/** Begins a collection; the same id again changes nothing, and somebody else's is taken already. */
export async function createCollection(
  database: Database,
  person: Person,
  { id, title, lessonIds }: BodyOf<(typeof contract)['createCollection']>,
): Promise<Collection> {
  return database.transaction(async (transaction) => {
    const ask = within(database, transaction)
    const made = { id, ownerId: person.id, title, code: nanoid(12) }
    if (await insertCollection(ask, made)) {
      if ((await countCollections(ask, person.id)) > MOST_COLLECTIONS) throw full(MOST_COLLECTIONS)
      await needMine(ask, person, lessonIds)
      await storeLessons(ask, id, [...new Set(lessonIds)])
    }
    const known = await readCollection(ask, id)
    if (known?.ownerId !== person.id) throw new HttpError('already-exists')
    return shown(known)
  })
}

export async function changeCollection(
  database: Database,
  person: Person,
  id: string,
  change: BodyOf<(typeof contract)['changeCollection']>,
): Promise<Collection> {
  const { add = [], remove = [], order, ...about } = change
  return database.transaction(async (transaction) => {
    const ask = within(database, transaction)
    if (!(await lockCollection(ask, id))) throw new HttpError('not-found')
    await needMine(ask, person, add)
    await storeAbout(ask, id, about)
    const before = await lessonsIn(ask, id)
    const gone = new Set(remove)
    const after = [...new Set([...before, ...add])].filter((one) => !gone.has(one))
    if (after.length > MOST_IN_COLLECTION) throw full(MOST_IN_COLLECTION)
    const lessons = order ? inOrderOf(after, order) : after
    if (add.length > 0 || remove.length > 0 || order) await storeLessons(ask, id, lessons)
    return shown((await readCollection(ask, id))!)
  })
}

/** Those that are named come first, as they are named; all others stay as they were. */
function inOrderOf(lessonIds: readonly string[], order: readonly string[]): string[] {
  const there = new Set(lessonIds)
  const named = [...new Set(order)].filter((one) => there.has(one))
  return [...named, ...lessonIds.filter((one) => !named.includes(one))]
}

const full = (most: number) =>
  new HttpError('too-large', { reason: 'collectionFull', facts: { most } })

/** What somebody may not see does not exist for them. */
async function needMine(ask: Ask, person: Person, lessonIds: readonly string[]): Promise<void> {
  const ids = [...new Set(lessonIds)]
  if (ids.length > 0 && (await countMine(ask, person.id, ids)) < ids.length)
    throw new HttpError('not-found')
}

const shown = ({ ownerId: _, ...collection }: Collection & { ownerId: string }): Collection =>
  collection

export async function dropCollection(database: Database, id: string): Promise<{ id: string }> {
  await deleteCollection(within(database), id)
  return { id }
}

/** A collection as whoever has its link sees it. */
export async function openCollection(database: Database, code: string): Promise<OpenCollection> {
  const ask = within(database)
  const shared = await readShared(ask, code)
  if (!shared) throw new HttpError('not-found')
  const { id, ...about } = shared
  return { ...about, lessons: (await lessonsShown(ask, id)).map(toOpenLesson) }
}

export const toOpenLesson = ({
  lesson_id: _,
  has_cover,
  published_at,
  ...row
}: OpenRow): OpenLesson => ({
  ...row,
  hasCover: has_cover,
  publishedAt: published_at.toISOString(),
})
