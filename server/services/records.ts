// Taking in what a learner's player sends. A batch is stored in one transaction and acknowledged record by record.
import type { Transaction } from 'sequelize'
import type {
  FinishRecord,
  LearnerRecord,
  PlaceRecord,
  RecordsReply,
  RefusedRecord,
  ResponseRecordInput,
  SpanRecord,
} from '@fernbrake/core/contract'
import { assertNever } from '@fernbrake/core/fields'
import type { Lesson } from '@fernbrake/core/lesson'
import { markQuestion } from '@fernbrake/core/questions'
import { isPlausible } from '@fernbrake/core/watching'
import { AttemptRow, EditionRow, ResponseRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import { storeSpans, type SpanRow } from '../queries/covered.ts'
import type { Context } from './context.ts'

/** Reported times may lie past the film's end by this much, in ms: the container and the stream differ a little. */
const END_SLACK_MS = 500
/** A device's clock may be ahead by this much, in ms. */
const CLOCK_SLACK_MS = 24 * 60 * 60 * 1000

interface Batch {
  attempt: AttemptRow
  lesson: Lesson
  transaction: Transaction
  nowMs: number
  spans: SpanRow[]
  kept: string[]
  refused: RefusedRecord[]
}

type Refusal = Omit<RefusedRecord, 'id'>

const REFUSALS = {
  unknownPart: { code: 'unknownPart', message: 'This part is not in the lesson.' },
  unknownQuestion: { code: 'unknownQuestion', message: 'This question is not in the lesson.' },
  beyondEnd: { code: 'beyondEnd', message: 'This time lies beyond the end of the film.' },
  noTriesLeft: {
    code: 'noTriesLeft',
    message: 'No tries are left for this question; the earlier answers stand.',
  },
  wrongAnswerKind: {
    code: 'wrongAnswerKind',
    message: 'This is not an answer to this kind of question.',
  },
  futureClock: {
    code: 'futureClock',
    message: 'The clock of this device runs more than a day ahead.',
  },
} as const satisfies Record<RefusedRecord['code'], Refusal>

/**
 * Stores a batch. Every id comes back either as kept (in the database now) or as refused with a reason (it can never
 * be taken in, and sending it again is of no use). A repeat of what is kept changes nothing.
 */
export async function takeRecords(
  { database }: Context,
  attemptId: string,
  records: readonly LearnerRecord[],
  now = new Date(),
): Promise<RecordsReply> {
  return database.transaction(async (transaction) => {
    const attempt = await AttemptRow.findByPk(attemptId, {
      transaction,
      lock: transaction.LOCK.UPDATE,
    })
    if (!attempt) throw new HttpError('not-found')
    const lesson = await editionOf(attempt, transaction)
    const batch: Batch = {
      attempt,
      lesson,
      transaction,
      nowMs: now.getTime(),
      spans: [],
      kept: [],
      refused: [],
    }
    for (const record of records) {
      const refusal = await takeRecord(batch, record)
      if (refusal) batch.refused.push({ id: record.id, ...refusal })
      else batch.kept.push(record.id)
    }
    await storeSpans(database, attemptId, batch.spans, transaction)
    attempt.lastSeenAt = now
    await attempt.save({ transaction })
    return { kept: batch.kept, refused: batch.refused }
  })
}

/** An edition never changes, so its document is kept once read. Bounded, so that memory is too. */
const editionCache = new Map<string, Lesson>()
const MOST_CACHED_EDITIONS = 50

async function editionOf(
  { lessonId, edition }: AttemptRow,
  transaction: Transaction,
): Promise<Lesson> {
  const key = `${lessonId}/${edition}`
  const cached = editionCache.get(key)
  if (cached) return cached
  const row = await EditionRow.findOne({ where: { lessonId, number: edition }, transaction })
  if (!row) throw new HttpError('not-found')
  if (editionCache.size >= MOST_CACHED_EDITIONS)
    editionCache.delete(editionCache.keys().next().value!)
  editionCache.set(key, row.document)
  return row.document
}

async function takeRecord(batch: Batch, record: LearnerRecord): Promise<Refusal | null> {
  switch (record.kind) {
    case 'span':
      return takeSpan(batch, record)
    case 'response':
      return takeResponse(batch, record)
    case 'place':
      return takePlace(batch, record)
    case 'finish':
      return takeFinish(batch, record)
    default:
      return assertNever(record)
  }
}

function lengthOf({ lesson }: Batch, partId: string): number | null {
  return Object.hasOwn(lesson.parts, partId) ? (lesson.parts[partId]!.durationMs ?? 0) : null
}

function takeSpan(batch: Batch, record: SpanRecord): Refusal | null {
  const durationMs = lengthOf(batch, record.partId)
  if (durationMs === null) return REFUSALS.unknownPart
  if (record.toMs > durationMs + END_SLACK_MS || record.fromMs >= durationMs)
    return REFUSALS.beyondEnd
  const beganAtMs = Date.parse(record.beganAt)
  const endedAtMs = Date.parse(record.endedAt)
  if (beganAtMs > batch.nowMs + CLOCK_SLACK_MS) return REFUSALS.futureClock
  const { kind: _, ...span } = record
  // Played in a hidden tab is kept, but it is not watching.
  const counts = !record.hidden && isPlausible({ ...span, beganAtMs, endedAtMs })
  batch.spans.push({ ...span, toMs: Math.min(span.toMs, durationMs), counts })
  return null
}

async function takeResponse(batch: Batch, record: ResponseRecordInput): Promise<Refusal | null> {
  const { attempt, lesson, transaction } = batch
  const cue = Object.hasOwn(lesson.cues, record.cueId) ? lesson.cues[record.cueId]! : null
  if (cue?.kind !== 'question' || cue.questionId !== record.questionId)
    return REFUSALS.unknownQuestion
  const question = lesson.questions[cue.questionId]!
  if (record.answer.kind !== question.kind) return REFUSALS.wrongAnswerKind
  if (!record.answer.picked.every((id) => Object.hasOwn(question.options, id)))
    return REFUSALS.wrongAnswerKind
  const earlier = await ResponseRow.findAll({
    where: { attemptId: attempt.id, questionId: question.id },
    attributes: ['id'],
    transaction,
  })
  if (earlier.some((row) => row.id === record.id)) return null
  if (question.tries > 0 && earlier.length >= question.tries) return REFUSALS.noTriesLeft
  const mark = markQuestion(question, record.answer)
  await ResponseRow.create(
    {
      attemptId: attempt.id,
      id: record.id,
      cueId: record.cueId,
      questionId: question.id,
      tryNumber: earlier.length + 1,
      answer: record.answer,
      verdict: mark.verdict,
      points: mark.points,
      answeredAt: new Date(record.answeredAt),
    },
    { transaction },
  )
  return null
}

function takePlace(batch: Batch, record: PlaceRecord): Refusal | null {
  const durationMs = lengthOf(batch, record.partId)
  if (durationMs === null) return REFUSALS.unknownPart
  if (record.atMs > durationMs + END_SLACK_MS) return REFUSALS.beyondEnd
  const at = new Date(record.at)
  if (at.getTime() > batch.nowMs + CLOCK_SLACK_MS) return REFUSALS.futureClock
  const { attempt, lesson } = batch
  // What was released on any device stays released; where the learner is, the newest word decides.
  const known = record.released.filter((cueId) => Object.hasOwn(lesson.cues, cueId))
  attempt.released = [...new Set([...attempt.released, ...known])]
  if (!attempt.placeAt || attempt.placeAt <= at) {
    attempt.placePart = record.partId
    attempt.placeMs = record.atMs
    attempt.placeAt = at
  }
  return null
}

function takeFinish(batch: Batch, record: FinishRecord): Refusal | null {
  if (lengthOf(batch, record.partId) === null) return REFUSALS.unknownPart
  batch.attempt.finishedAt ??= new Date(Math.min(Date.parse(record.at), batch.nowMs))
  return null
}
