// Taking in answers: each is marked here, whatever the player thinks of it.
import type { CreationAttributes } from 'sequelize'
import type { Lesson } from '@fernbrake/core/lesson'
import { filesOfAnswer } from '@fernbrake/core/questions'
import {
  judgeAnswer,
  type AnswerFacts,
  type BatchTime,
  type JudgedSpan,
  type MarkedAnswer,
  type Outcomes,
  type Refusal,
  type ResponseRecordInput,
} from '@fernbrake/core/records'
import type { Span } from '@fernbrake/core/watching'
import type { Ask } from '../database/connect.ts'
import { ResponseRow } from '../database/models.ts'
import type { AssignmentFacts } from './queries/assignments.ts'
import { readTold, storeAfterTelling, type AnswerAfterTelling } from './queries/told.ts'
import { handedIds } from './handedFiles.ts'
import { seenShare, watchedBefore } from './seenBefore.ts'
import { answerSent, type Holding } from './telling.ts'

/** What a batch of answers belongs to. */
export interface Answering {
  attemptId: string
  /** What is held back from this learner; null where nothing is. */
  holding: Holding | null
  lesson: Lesson
  assignment: AssignmentFacts | null
  time: BatchTime
  /** What was watched in the same batch. */
  spans: readonly JudgedSpan[]
}

type NewResponse = CreationAttributes<ResponseRow>

/** Marks and stores answers; tells of each whether it was refused. The attempt is locked by now. */
export async function storeResponses(
  ask: Ask,
  answering: Answering,
  responses: readonly ResponseRecordInput[],
): Promise<Outcomes> {
  if (responses.length === 0) return []
  const { attemptId, lesson } = answering
  const attributes = ['id', 'questionId']
  const earlier = await ResponseRow.findAll({ where: { attemptId }, attributes })
  const files = responses.flatMap(({ answer }) => filesOfAnswer(answer))
  const handed = await handedIds(attemptId, files)
  const asked = responses.map(({ questionId }) => lesson.questions[questionId])
  const watched = await watchedBefore(ask, attemptId, asked)
  const { holding, assignment, time } = answering
  const wereTold = holding ? await readTold(ask, attemptId, holding.isToldInAll) : new Set<string>()
  const fresh: NewResponse[] = []
  const late: AnswerAfterTelling[] = []
  const facts = (): AnswerFacts => ({
    time,
    closesAt: assignment?.closesAt ?? null,
    given: [...earlier, ...fresh],
    handed,
    wereTold,
    isHeldBack: (questionId) => holding?.isHeldBack(questionId) ?? false,
    inIds: (questionId, answer) => answerSent(holding, questionId, answer),
  })
  const outcomes = responses.map((sent): [string, Refusal | null] => {
    const outcome = judgeAnswer(lesson, facts(), sent)
    if (outcome.is === 'refused') return [sent.id, outcome.why]
    if (outcome.is === 'known') return [sent.id, null]
    if (outcome.is === 'afterTelling') {
      const { id, cueId, questionId } = sent
      late.push({ id, cueId, questionId, answer: outcome.answer, answeredAt: outcome.answeredAt })
      return [id, 'toldAlready']
    }
    fresh.push(rowOf(answering, sent, outcome.marked, watched))
    return [sent.id, null]
  })
  await ResponseRow.bulkCreate(fresh)
  await storeAfterTelling(ask, attemptId, late)
  return outcomes
}

function rowOf(
  { attemptId, spans }: Answering,
  { id, cueId, answeredAt, waitedMs }: ResponseRecordInput,
  { question, ...marked }: MarkedAnswer,
  watched: Record<string, Span[]>,
): NewResponse {
  return {
    attemptId,
    id,
    cueId,
    questionId: question.id,
    ...marked,
    // By the device's own clock on both sides.
    seenShare: seenShare(question, answeredAt, watched, spans),
    tookMs: waitedMs ?? null,
  }
}
