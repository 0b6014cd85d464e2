// How all have answered a poll or a scale, for a learner who has answered it too.
import { tallyOf, type Tally } from '@fernbrake/core/analysis'
import { showsTally } from '@fernbrake/core/questions'
import { ResponseRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import { attemptFacts } from './queries/attemptFacts.ts'
import { editionDocument } from '../lessons/queries/editions.ts'
import { newestAnswers } from './queries/tallies.ts'
import type { Context } from '../context.ts'

/** Throws `not-found` unless the designer lets it be seen, and this learner has answered. */
export async function readTally(
  { database }: Context,
  attemptId: string,
  questionId: string,
): Promise<Tally> {
  const facts = await attemptFacts(attemptId)
  if (!facts) throw new HttpError('not-found')
  const { questions } = await editionDocument(facts)
  const question = Object.hasOwn(questions, questionId) ? questions[questionId]! : null
  const isOpen = question !== null && showsTally(question)
  if (!isOpen || (await ResponseRow.count({ where: { attemptId, questionId } })) === 0)
    throw new HttpError('not-found')
  return tallyOf(await newestAnswers(database, facts.lessonId, questionId))
}
