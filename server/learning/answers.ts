// Taking in answers: each is marked here, whatever the player thinks of it.
import type { CreationAttributes } from 'sequelize'
import type { ResponseRecordInput } from '@fernbrake/core/contract'
import { isInTime } from '@fernbrake/core/classes'
import { askingOf, type Lesson } from '@fernbrake/core/lesson'
import { filesOfAnswer, fitsQuestion, markQuestion } from '@fernbrake/core/questions'
import type { Span } from '@fernbrake/core/watching'
import type { Ask } from '../database/connect.ts'
import { ResponseRow } from '../database/models.ts'
import type { AssignmentFacts } from './queries/assignments.ts'
import type { SpanRow } from './queries/covered.ts'
import { heardAt, type BatchTime } from './clocks.ts'
import { readTold, storeAfterTelling, type AnswerAfterTelling } from './queries/told.ts'
import { handedIds } from './handedFiles.ts'
import { REFUSALS, type Refusal } from './refusals.ts'
import { seenShare, watchedBefore } from './seenBefore.ts'
import { answerSent, type Holding } from './telling.ts'

/** Time is counted in steps, and giving an answer takes a moment, in ms. */
const COUNTDOWN_SLACK_MS = 1000

/** What a batch of answers belongs to. */
export interface Answering {
  attemptId: string
  /** What is held back from this learner; null where nothing is. */
  holding: Holding | null
  lesson: Lesson
  assignment: AssignmentFacts | null
  time: BatchTime
  /** What was watched in the same batch. */
  spans: readonly SpanRow[]
}

/** What the database holds of this learner. */
interface InDatabase {
  earlier: readonly Pick<ResponseRow, 'id' | 'questionId'>[]
  /** The question of each file that was handed in. */
  handed: ReadonlyMap<string, string>
  /** What had been watched before, by part. */
  watched: Record<string, Span[]>
  /** The questions that the learner was told whole after they had been held back. */
  wereTold: ReadonlySet<string>
}

type NewResponse = CreationAttributes<ResponseRow>

/** Marks and stores answers; tells of each whether it was refused. The attempt is locked by now. */
export async function storeResponses(
  ask: Ask,
  answering: Answering,
  responses: readonly ResponseRecordInput[],
): Promise<[id: string, refusal: Refusal | null][]> {
  if (responses.length === 0) return []
  const { attemptId, lesson } = answering
  const attributes = ['id', 'questionId']
  const earlier = await ResponseRow.findAll({ where: { attemptId }, attributes })
  const files = responses.flatMap(({ answer }) => filesOfAnswer(answer))
  const handed = await handedIds(attemptId, files)
  const asked = responses.map(({ questionId }) => lesson.questions[questionId])
  const watched = await watchedBefore(ask, attemptId, asked)
  const { holding } = answering
  const wereTold = holding ? await readTold(ask, attemptId, holding.isToldInAll) : new Set<string>()
  const fresh: NewResponse[] = []
  const late: AnswerAfterTelling[] = []
  const told = responses.map((response): [string, Refusal | null] => [
    response.id,
    takeResponse(answering, response, { earlier, handed, watched, wereTold }, { fresh, late }),
  ])
  await ResponseRow.bulkCreate(fresh)
  await storeAfterTelling(ask, attemptId, late)
  return told
}

/** Marks a response and puts it among the `fresh` ones, unless it is kept already or can never be. */
function takeResponse(
  { attemptId, holding, lesson, assignment, time, spans }: Answering,
  sent: ResponseRecordInput,
  { earlier, handed, watched, wereTold }: InDatabase,
  { fresh, late }: { fresh: NewResponse[]; late: AnswerAfterTelling[] },
): Refusal | null {
  const record = { ...sent, answer: answerSent(holding, sent.questionId, sent.answer) }
  const asking = askingOf(lesson, record.cueId)
  if (asking?.questionId !== record.questionId) return REFUSALS.unknownQuestion
  const question = lesson.questions[record.questionId]!
  const { countdownMs = Infinity } = asking
  if ((record.waitedMs ?? 0) > countdownMs + COUNTDOWN_SLACK_MS) return REFUSALS.tooLate
  // Whoever had it cut could not work on a recap until all was found.
  const asked = holding?.isHeldBack(question.id) ? { ...question, cut: true as const } : question
  if (!fitsQuestion(asked, record.answer)) return REFUSALS.wrongAnswerKind
  const known = [...earlier, ...fresh]
  if (known.some(({ id }) => id === record.id)) return null
  const { at: answeredAt, isDoubtful } = heardAt(record.answeredAt, time)
  if (assignment && !isInTime(answeredAt.getTime(), assignment.closesAt)) return REFUSALS.closed
  if (filesOfAnswer(record.answer).some((id) => handed.get(id) !== question.id))
    return REFUSALS.missingFile
  if (wereTold.has(question.id)) {
    const { id, cueId, questionId, answer } = record
    late.push({ id, cueId, questionId, answer, answeredAt })
    return REFUSALS.toldAlready
  }
  const tries = known.filter(({ questionId }) => questionId === question.id).length
  if (question.tries > 0 && tries >= question.tries) return REFUSALS.noTriesLeft
  const { verdict, points } = markQuestion(question, record.answer)
  fresh.push({
    attemptId,
    id: record.id,
    cueId: record.cueId,
    questionId: question.id,
    tryNumber: tries + 1,
    answer: record.answer,
    verdict,
    points,
    answeredAt,
    isDoubtful,
    // By the device's own clock on both sides.
    seenShare: seenShare(question, record.answeredAt, watched, spans),
    tookMs: record.waitedMs ?? null,
  })
  return null
}
