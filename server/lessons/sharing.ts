// Sharing a lesson: who may learn it, and who works on it.
import { createHash } from 'node:crypto'
import type { Transaction } from 'sequelize'
import type {
  contract,
  LessonRoleName,
  Person,
  ReplyOf,
  SeenBy,
  Sharing,
} from '@fernbrake/core/contract'
import { wordsAskedFor } from '@fernbrake/core/text'
import { within } from '../database/connect.ts'
import { LessonRoleRow, LessonRow, PersonRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import type { Context } from '../context.ts'
import { toOpenLesson } from './collections.ts'
import { storeLesson } from './drafts.ts'
import { findOpen } from './finding.ts'
import { readOpenCollections } from './queries/collections.ts'
import { isKnownTo, readInvited, readOpen, readWorkers, storeInvited } from './queries/sharing.ts'
import { isTalkedAbout, storeTalkByLink } from './queries/talks.ts'

/** Who is named to learn a lesson is told to its owners alone (`forOwner`). */
export async function readSharing(
  { database }: Context,
  lessonId: string,
  forOwner: boolean,
): Promise<Sharing> {
  const ask = within(database)
  const [lesson, people, invited, talks] = await Promise.all([
    LessonRow.findByPk(lessonId, { attributes: ['seenBy', 'linkCode'] }),
    readWorkers(ask, lessonId),
    forOwner ? readInvited(ask, lessonId) : [],
    isTalkedAbout(ask, lessonId),
  ])
  if (!lesson) throw new HttpError('not-found')
  return { seenBy: lesson.seenBy, linkCode: lesson.linkCode, talks, people, invited }
}

/** Says who may learn a lesson. Whoever has begun it goes on whatever is said here. */
export async function share(
  context: Context,
  lessonId: string,
  change: {
    seenBy?: SeenBy | undefined
    invite?: string[] | undefined
    uninvite?: string[] | undefined
    talks?: boolean | undefined
  },
): Promise<Sharing> {
  const { database } = context
  const lower = (emails: string[] = []) => emails.map((email) => email.toLowerCase())
  await database.transaction(async (transaction) => {
    if (change.seenBy)
      await LessonRow.update({ seenBy: change.seenBy }, { where: { id: lessonId }, transaction })
    const ask = within(database, transaction)
    if (change.talks !== undefined) await storeTalkByLink(ask, lessonId, change.talks)
    await storeInvited(ask, lessonId, {
      invite: lower(change.invite),
      uninvite: lower(change.uninvite),
    })
  })
  return readSharing(context, lessonId, true)
}

/** The same for several lessons; none is changed unless the person owns all of them. */
export async function shareSeveral(
  { database }: Context,
  person: Person,
  { lessonIds, seenBy }: { lessonIds: string[]; seenBy: SeenBy },
): Promise<{ changed: number }> {
  const ids = [...new Set(lessonIds)]
  return database.transaction(async (transaction) => {
    const mine = await LessonRoleRow.count({
      where: { lessonId: ids, personId: person.id, role: 'owner' },
      transaction,
    })
    if (mine < ids.length) throw new HttpError('not-allowed')
    await LessonRow.update({ seenBy }, { where: { id: ids }, transaction })
    return { changed: ids.length }
  })
}

/** Lets somebody work on a lesson, or in another role than before. They need a designer's account. */
export async function giveRole(
  context: Context,
  lessonId: string,
  { email, role }: { email: string; role: LessonRoleName },
): Promise<Sharing> {
  const person = await PersonRow.findOne({ where: { email: email.toLowerCase() } })
  if (!person || (person.role !== 'designer' && person.role !== 'keeper'))
    throw new HttpError('no-such-designer')
  await context.database.transaction(async (transaction) => {
    await keepAnOwner(lessonId, person.id, role, transaction)
    await LessonRoleRow.upsert({ lessonId, personId: person.id, role }, { transaction })
  })
  context.accessChanged({ lessonId })
  return readSharing(context, lessonId, true)
}

export async function removeRole(
  context: Context,
  lessonId: string,
  personId: string,
): Promise<Sharing> {
  await context.database.transaction(async (transaction) => {
    await keepAnOwner(lessonId, personId, null, transaction)
    await LessonRoleRow.destroy({ where: { lessonId, personId }, transaction })
  })
  context.accessChanged({ lessonId })
  return readSharing(context, lessonId, true)
}

/** Refuses what would leave a lesson without an owner. Two who step back at once wait for each other here. */
async function keepAnOwner(
  lessonId: string,
  personId: string,
  next: LessonRoleName | null,
  transaction: Transaction,
): Promise<void> {
  await LessonRow.findByPk(lessonId, { transaction, lock: transaction.LOCK.UPDATE })
  const owners = await LessonRoleRow.findAll({ where: { lessonId, role: 'owner' }, transaction })
  const isLast = owners.length === 1 && owners[0]!.personId === personId
  if (isLast && next !== 'owner') throw new HttpError('last-owner')
}

/**
 * Gives everybody named a copy of their own, with its present draft, and nobody a second one under the same `id`: the
 * id of each copy follows from it and from the person. All of them, or none: where somebody has no account, it is said who.
 */
export async function giveCopies(
  { database }: Context,
  lessonId: string,
  { id, emails }: { id: string; emails: string[] },
): Promise<{ given: string[] }> {
  const wanted = [...new Set(emails.map((email) => email.toLowerCase()))]
  return database.transaction(async (transaction) => {
    // Held, so that the same wish sent twice at once is one.
    const lock = transaction.LOCK.UPDATE
    const source = await LessonRow.findByPk(lessonId, { attributes: ['draft'], transaction, lock })
    if (!source) throw new HttpError('not-found')
    const people = await PersonRow.findAll({
      where: { email: wanted, role: ['designer', 'keeper'] },
      transaction,
    })
    const given = people.map(({ email }) => email!)
    const unknown = wanted.filter((email) => !given.includes(email))
    if (unknown.length > 0)
      throw new HttpError('no-such-designer', {
        reason: 'noDesignersFor',
        facts: { addresses: unknown },
      })
    for (const person of people) {
      const digest = createHash('sha256').update(`${id} ${lessonId} ${person.id}`)
      const copyId = digest.digest('base64url').slice(0, 24)
      const copy = { id: copyId, draft: source.draft, copyOf: lessonId }
      if ((await LessonRow.count({ where: { id: copyId }, transaction })) === 0)
        await storeLesson(database, person, copy, transaction)
    }
    return { given }
  })
}

/** The published lessons that everyone may learn, the newest edition first; with words, those in which all of them occur. */
export async function listOpenLessons(
  { database }: Context,
  words = '',
): Promise<ReplyOf<typeof contract.openLessons>> {
  const ask = within(database)
  const rows = await readOpen(ask)
  if (wordsAskedFor(words).length === 0) {
    const lessons = rows.map((row) => ({ ...toOpenLesson(row), places: [], more: 0, said: [] }))
    return { lessons, collections: await readOpenCollections(ask) }
  }
  const found = await findOpen(ask, words)
  const lessons = rows.flatMap((row) => {
    const where = found.get(row.lesson_id)
    return where ? [{ ...toOpenLesson(row), ...where }] : []
  })
  return { lessons, collections: [] }
}

/**
 * Passes who may learn a lesson by its link: whoever it is seen by, works on it, or has begun it by the link. Whoever is not signed in is
 * asked to; everybody else is told that it was not shared with them.
 */
export async function admit(
  { database }: Pick<Context, 'database'>,
  lesson: { id: string; seenBy: SeenBy },
  person: Person | null,
): Promise<void> {
  if (lesson.seenBy === 'link' || lesson.seenBy === 'everyone') return
  if (!person) throw new HttpError('not-signed-in')
  const isForNamed = lesson.seenBy === 'people'
  if (!(await isKnownTo(within(database), lesson.id, person, isForNamed)))
    throw new HttpError('not-shared')
}
