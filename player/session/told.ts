// What the server tells of answers that a device cannot mark, because their questions were cut for this learner.
import type { Attempt, RecordsReply } from '@fernbrake/core/contract'
import {
  isSettledHere,
  isUnsaid,
  markQuestion,
  type Mark,
  type Question,
} from '@fernbrake/core/questions'
import type { OpenedLesson } from '../hosts/Host.ts'

export type Told = NonNullable<RecordsReply['told']>
export type PastResponse = Attempt['progress']['responses'][number]
/** An answer that was given, and what came of it; by the server alone where points are told with it. */
export type GivenAnswer = Pick<PastResponse, 'answer' | 'verdict' | 'perPart' | 'marked'> & {
  points?: number
}

/**
 * The answers with what is told of them. What was given since, and is on its way, stays behind what the server knows: it
 * has taken the others in the same order.
 */
export function withTold(
  responses: readonly PastResponse[],
  { responses: told }: Told,
): PastResponse[] {
  const asked = new Set(told.map(({ questionId }) => questionId))
  const newer = [...asked].flatMap((questionId) => {
    const of = (all: readonly PastResponse[]) => all.filter((one) => one.questionId === questionId)
    return of(responses).slice(of(told).length)
  })
  return [...responses.filter(({ questionId }) => !asked.has(questionId)), ...told, ...newer]
}

/** Brings a lesson that is open to what is told; its questions are watched, so whatever shows them shows it. */
export function acceptTold({ lesson, progress }: OpenedLesson, told: Told): void {
  for (const question of told.questions) lesson.questions[question.id] = question
  progress.responses = withTold(progress.responses, told)
  const open = { ...progress.judged?.open, ...told.judged?.open }
  progress.judged = told.judged && { shut: told.judged.shut, open }
}

/** Whether it is not known yet what came of an answer: the server has not heard of it, or may not tell. */
export const isPending = (
  question: Question,
  { verdict }: Pick<PastResponse, 'verdict'>,
): boolean => isUnsaid(question) && verdict === 'unmarked'

/** What came of an answer: marked by a person, or here, or by the server where it cannot be marked here. */
export function markOf(question: Question, response: GivenAnswer): Mark {
  const { points = 0, verdict, perPart = [] } = response
  const here = markQuestion(question, response.answer)
  if (response.marked) return { ...here, points, verdict }
  if (!isUnsaid(question) || isPending(question, response)) return here
  return { points, max: question.points, verdict, perPart }
}

/** Whether some answer to a question was right, as far as that is known. */
export const wasRight = (
  question: Question,
  responses: readonly Pick<PastResponse, 'verdict'>[],
): boolean => responses.some(({ verdict }) => isSettledHere(question, verdict))
