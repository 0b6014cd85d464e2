// The question shelf: keeping questions, finding them again, letting them go.
import type { BodyOf, contract, KeptQuestion, Person } from '@fernbrake/core/contract'
import { forShelf } from '@fernbrake/core/questions'
import { KeptQuestionRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import { usesOfKept } from './queries/keptQuestions.ts'
import type { Context } from '../context.ts'

/** As many as one person keeps. */
const MOST_KEPT = 2000

export async function listKeptQuestions(
  { database }: Context,
  person: Person,
): Promise<KeptQuestion[]> {
  const [rows, uses] = await Promise.all([
    KeptQuestionRow.findAll({
      where: { ownerId: person.id },
      order: [['keptAt', 'DESC']],
      limit: MOST_KEPT,
    }),
    usesOfKept(database, person.id),
  ])
  return rows.map(({ id, question, keptAt }) => ({
    id,
    question,
    keptAt: keptAt.toISOString(),
    lessons: uses
      .filter(({ keptId }) => keptId === id)
      .map(({ id: lessonId, title }) => ({ id: lessonId, title })),
  }))
}

/** Keeps a question, or what has become of it. Somebody else's id is taken already. */
export async function keepQuestion(
  person: Person,
  { id, question }: BodyOf<(typeof contract)['keepQuestion']>,
): Promise<{ id: string }> {
  const known = await KeptQuestionRow.findByPk(id)
  if (known && known.ownerId !== person.id) throw new HttpError('already-exists')
  if (!known && (await KeptQuestionRow.count({ where: { ownerId: person.id } })) >= MOST_KEPT)
    throw new HttpError('too-large', { reason: 'questionShelfFull', facts: { most: MOST_KEPT } })
  const kept = { question: forShelf(question), keptAt: new Date() }
  await KeptQuestionRow.upsert({ id, ownerId: person.id, ...kept })
  return { id }
}

export async function dropKeptQuestion(id: string): Promise<{ id: string }> {
  await KeptQuestionRow.destroy({ where: { id } })
  return { id }
}
