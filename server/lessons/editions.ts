// Publishing: freezing the draft as an edition, and the link that opens the newest one.
import { nanoid } from 'nanoid'
import type { Transaction } from 'sequelize'
import type { EditionSummary, Person, Unpublished } from '@fernbrake/core/contract'
import { cleanText } from '@fernbrake/core/fields'
import {
  asEdition,
  findWhatBlocksPublishing,
  whatChanged,
  wordsAsked,
} from '@fernbrake/core/lesson'
import { AttemptRow, EditionRow, LessonRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import { wordsNear } from './words/wordsNear.ts'
import type { Context } from '../context.ts'

type SummaryRow = Pick<EditionRow, 'number' | 'publishedAt' | 'revision' | 'note' | 'changes'>

export function toEditionSummary(row: SummaryRow): EditionSummary {
  const { number, publishedAt, revision, note, changes } = row
  return { number, publishedAt: publishedAt.toISOString(), revision, note, changes }
}

/**
 * Publishes the draft as edition `number`. Meant for the revision the person saw: if the draft has moved on it is
 * refused. Publishing the same number from the same revision again answers with what was published.
 */
export async function publishEdition(
  { database, log }: Context,
  person: Person,
  lessonId: string,
  input: {
    revision: number
    number: number
    note?: string | undefined
    replaces?: boolean | undefined
  },
): Promise<{ edition: EditionSummary; linkCode: string }> {
  // Looked for before anything is held: nobody who edits meanwhile waits for it.
  const asked = await LessonRow.findByPk(lessonId, { attributes: ['draft'] })
  const near = asked ? await wordsNear(asked.draft.language, wordsAsked(asked.draft), log) : []
  return database.transaction(async (transaction) => {
    const lesson = await LessonRow.findByPk(lessonId, {
      transaction,
      lock: transaction.LOCK.UPDATE,
    })
    if (!lesson) throw new HttpError('not-found')
    const earlier = await EditionRow.findOne({
      where: { lessonId, number: input.number },
      transaction,
    })
    const linkCode = await linkOf(lesson, transaction)
    if (earlier && earlier.revision === input.revision)
      return { edition: toEditionSummary(earlier), linkCode }
    const count = await EditionRow.count({ where: { lessonId }, transaction })
    if (lesson.revision !== input.revision || input.number !== count + 1)
      throw new HttpError('stale-revision')
    const issues = findWhatBlocksPublishing(lesson.draft)
    if (issues.length > 0) throw new HttpError('not-publishable', { issues })
    const before = await newestEdition(lessonId, transaction)
    if (before && !input.replaces && (await countInside(before, transaction)) > 0)
      throw new HttpError('learners-inside')
    const document = asEdition(lesson.draft, near)
    const edition = await EditionRow.create(
      {
        lessonId,
        number: input.number,
        document,
        note: cleanText(input.note ?? ''),
        // What a list of words knows is no change that anybody made.
        changes: before ? whatChanged(asEdition(before.document), asEdition(lesson.draft)) : [],
        revision: lesson.revision,
        personId: person.id,
      },
      { transaction },
    )
    return { edition: toEditionSummary(edition), linkCode }
  })
}

export function newestEdition(
  lessonId: string,
  transaction?: Transaction,
): Promise<EditionRow | null> {
  return EditionRow.findOne({
    where: { lessonId },
    order: [['number', 'DESC']],
    ...(transaction ? { transaction } : {}),
  })
}

/** How many have begun an edition and are not at its end. */
function countInside({ lessonId, number }: EditionRow, transaction?: Transaction): Promise<number> {
  return AttemptRow.count({
    where: { lessonId, edition: number, finishedAt: null },
    ...(transaction ? { transaction } : {}),
  })
}

/** What publishing would bring, and to whom it would not come. */
export async function readUnpublished(_context: Context, lessonId: string): Promise<Unpublished> {
  const [lesson, newest] = await Promise.all([
    LessonRow.findByPk(lessonId, { attributes: ['draft'] }),
    newestEdition(lessonId),
  ])
  if (!lesson) throw new HttpError('not-found')
  if (!newest) return { edition: null, changes: [], learnersInside: 0 }
  return {
    edition: newest.number,
    changes: whatChanged(asEdition(newest.document), asEdition(lesson.draft)),
    learnersInside: await countInside(newest),
  }
}

async function linkOf(lesson: LessonRow, transaction: Transaction): Promise<string> {
  if (lesson.linkCode) return lesson.linkCode
  const linkCode = nanoid(12)
  await lesson.update({ linkCode }, { transaction })
  return linkCode
}
