// Publishing: freezing the draft as an edition, and the link that opens the newest one.
import { nanoid } from 'nanoid'
import type { Transaction } from 'sequelize'
import type { EditionSummary, Person } from '@fernbrake/core/contract'
import { findWhatBlocksPublishing, withoutHidden } from '@fernbrake/core/lesson'
import { EditionRow, LessonRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import type { Context } from './context.ts'

type SummaryRow = Pick<EditionRow, 'number' | 'publishedAt' | 'revision'>

export function toEditionSummary({ number, publishedAt, revision }: SummaryRow): EditionSummary {
  return { number, publishedAt: publishedAt.toISOString(), revision }
}

/**
 * Publishes the draft as edition `number`. Meant for the revision the person saw: if the draft has moved on it is
 * refused. Publishing the same number from the same revision again answers with what was published.
 */
export async function publishEdition(
  { database }: Context,
  person: Person,
  lessonId: string,
  input: { revision: number; number: number },
): Promise<{ edition: EditionSummary; linkCode: string }> {
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
    const edition = await EditionRow.create(
      {
        lessonId,
        number: input.number,
        document: withoutHidden(lesson.draft),
        revision: lesson.revision,
        personId: person.id,
      },
      { transaction },
    )
    return { edition: toEditionSummary(edition), linkCode }
  })
}

async function linkOf(lesson: LessonRow, transaction: Transaction): Promise<string> {
  if (lesson.linkCode) return lesson.linkCode
  const linkCode = nanoid(12)
  await lesson.update({ linkCode }, { transaction })
  return linkCode
}
