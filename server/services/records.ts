// Taking in what a learner's player sends. A batch is stored whole or not at all, and acknowledged record by record.
import type { CreationAttributes, Transaction } from 'sequelize'
import type {
  ChoiceRecord,
  FinishRecord,
  LearnerRecord,
  OwnNoteRecord,
  PlaceRecord,
  RecordsReply,
  ResponseRecordInput,
  SayRecord,
  SeenRecord,
  SpanRecord,
} from '@fernbrake/core/contract'
import { isInTime } from '@fernbrake/core/classes'
import { assertNever } from '@fernbrake/core/fields'
import { askingOf, thingsToSee, type Lesson } from '@fernbrake/core/lesson'
import { filesOfAnswer, fitsQuestion, markQuestion } from '@fernbrake/core/questions'
import { MOST_NOTES } from '@fernbrake/core/notes'
import { partsLeft, type Known } from '@fernbrake/core/routes'
import { isPlausible, type Span } from '@fernbrake/core/watching'
import { prepared, within, type Ask } from '../database/connect.ts'
import { AttemptRow, ResponseRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import { readAssignmentOf, type AssignmentFacts } from '../queries/assignments.ts'
import { attemptFacts, type AttemptFacts } from '../queries/attemptFacts.ts'
import { readChosen, storeChoices } from '../queries/choices.ts'
import { storeTaken, type Taken } from '../queries/covered.ts'
import { readFinished, storeFinished } from '../queries/finishedParts.ts'
import { countOtherNotes, storeOwnNotes } from '../queries/ownNotes.ts'
import { storeSeen, type Seen } from '../queries/seenThings.ts'
import { editionDocument } from '../queries/editions.ts'
import type { Context } from './context.ts'
import { handedIds } from './handedFiles.ts'
import { readKnown } from './known.ts'
import { REFUSALS, type Refusal } from './refusals.ts'
import { END_SLACK_MS, heardAt, lengthOf } from './reported.ts'
import { seenShare, watchedBefore } from './seenBefore.ts'
import { takeSayings, talksNow } from './talk.ts'

/** A device's clock may be ahead by this much, in ms. */
const CLOCK_SLACK_MS = 24 * 60 * 60 * 1000

/** Browsers round the speed that they tell. */
const RATE_SLACK = 0.01

/** Time is counted in steps, and giving an answer takes a moment, in ms. */
const COUNTDOWN_SLACK_MS = 1000

interface Batch {
  attempt: AttemptFacts
  /** What the attempt was begun for, where it was given to a class. */
  assignment: AssignmentFacts | null
  lesson: Lesson
  nowMs: number
  taken: Taken
  choices: ChoiceRecord[]
  /** When parts were finished. */
  finished: Map<string, Date>
  seen: Seen[]
  notes: OwnNoteRecord[]
  sayings: SayRecord[]
  /** The assignment in whose talk they are said; null where there is none for this learner. */
  talksIn: string | null
}

/**
 * Stores a batch. Every id comes back either as kept (in the database now) or as refused with a reason (it can never
 * be taken in, and sending it again is of no use). A repeat of what is kept changes nothing.
 */
export async function takeRecords(
  { database, pool, announce }: Context,
  attemptId: string,
  records: readonly LearnerRecord[],
  now = new Date(),
): Promise<RecordsReply> {
  const attempt = await attemptFacts(attemptId)
  if (!attempt) throw new HttpError('not-found')
  const assignment = await readAssignmentOf(database, attempt)
  const taken: Taken = { spans: [], place: null, released: [], finishedAt: null, seenAt: now }
  const batch: Batch = {
    ...{ attempt, lesson: await editionDocument(attempt), nowMs: now.getTime(), taken },
    assignment,
    talksIn: null,
    choices: [],
    finished: new Map(),
    seen: [],
    notes: [],
    sayings: [],
  }
  const reply: RecordsReply = { kept: [], refused: [] }
  const note = (id: string, refusal: Refusal | null) =>
    refusal ? reply.refused.push({ id, ...refusal }) : reply.kept.push(id)
  const responses: ResponseRecordInput[] = []
  for (const record of records) {
    if (record.kind === 'response') responses.push(record)
    else if (record.kind === 'say') batch.sayings.push(record)
    else if (record.kind === 'ownNote' && noteFault(batch, record) === null)
      batch.notes.push(record)
    else note(record.id, takeMovement(batch, record))
  }
  if (batch.sayings.length > 0 && assignment && (await talksNow(assignment, attempt.personId)))
    batch.talksIn = assignment.id
  // What was watched is one statement, which needs no transaction; answers are counted, and so wait for one another.
  const isStored =
    responses.length === 0 && !hasTravelled(batch)
      ? await storeTaken(prepared(pool, 'store-taken'), attemptId, taken)
      : await database.transaction(async (transaction) => {
          const lock = transaction.LOCK.UPDATE
          if (!(await AttemptRow.findByPk(attemptId, { transaction, lock }))) return false
          for (const [id, refusal] of await storeResponses(batch, responses, transaction))
            note(id, refusal)
          for (const [id, refusal] of await storeNotes(within(database, transaction), batch))
            note(id, refusal)
          const ask = within(database, transaction)
          for (const [id, refusal] of await storeSayings(ask, batch)) note(id, refusal)
          await storeTravel(ask, batch, () =>
            readKnown(database, batch.lesson, attemptId, transaction),
          )
          return storeTaken(ask, attemptId, taken)
        })
  if (!isStored) throw new HttpError('not-found')
  if (responses.length > 0 || batch.finished.size > 0 || batch.seen.length > 0)
    announce.resultsNew(attempt.lessonId)
  return reply
}

/** Marks and stores answers; tells of each whether it was refused. The attempt is locked by now. */
async function storeResponses(
  batch: Batch,
  responses: readonly ResponseRecordInput[],
  transaction: Transaction,
): Promise<[id: string, refusal: Refusal | null][]> {
  const attemptId = batch.attempt.id
  const earlier = await ResponseRow.findAll({
    where: { attemptId },
    attributes: ['id', 'questionId'],
    transaction,
  })
  const files = responses.flatMap(({ answer }) => filesOfAnswer(answer))
  const handed = await handedIds(attemptId, files)
  const asked = responses.map(({ questionId }) => batch.lesson.questions[questionId])
  const watched = await watchedBefore(within(AttemptRow.sequelize!, transaction), attemptId, asked)
  const fresh: NewResponse[] = []
  const told = responses.map((response): [string, Refusal | null] => [
    response.id,
    takeResponse(batch, response, { earlier, handed, watched }, fresh),
  ])
  await ResponseRow.bulkCreate(fresh, { transaction })
  return told
}

const hasTravelled = ({ choices, finished, seen, notes, sayings }: Batch) =>
  notes.length > 0 ||
  sayings.length > 0 ||
  choices.length > 0 ||
  finished.size > 0 ||
  seen.length > 0

const storeSayings = (ask: Ask, { attempt, talksIn, lesson, sayings, nowMs }: Batch) =>
  takeSayings(
    ask,
    { assignmentId: talksIn, personId: attempt.personId, lesson },
    sayings.map(({ kind: _, ...saying }) => saying),
    nowMs,
  )

/** Stores what was seen, which ways were taken and what was finished; the lesson is, once nothing is left of it. */
async function storeTravel(ask: Ask, batch: Batch, readKnown: () => Promise<Known | null>) {
  const { attempt, lesson, choices, finished, seen, taken } = batch
  await storeSeen(ask, attempt.id, seen)
  if (choices.length === 0 && finished.size === 0) return
  await storeChoices(ask, attempt.id, choices)
  await storeFinished(ask, attempt.id, finished)
  const finishedParts = await readFinished(ask, attempt.id)
  const chosen = await readChosen(ask, attempt.id)
  if (finishedParts.length === 0) return
  if (partsLeft(lesson, { finishedParts, chosen }, await readKnown()).length === 0)
    taken.finishedAt = [...finished.values()].at(-1) ?? taken.seenAt
}

function takeMovement(
  batch: Batch,
  record: Exclude<LearnerRecord, ResponseRecordInput | SayRecord>,
): Refusal | null {
  switch (record.kind) {
    case 'span':
      return takeSpan(batch, record)
    case 'place':
      return takePlace(batch, record)
    case 'finish':
      return takeFinish(batch, record)
    case 'choice':
      return takeChoice(batch, record)
    case 'seen':
      return takeSeen(batch, record)
    case 'ownNote':
      return noteFault(batch, record)
    default:
      return assertNever(record)
  }
}

function takeSpan(batch: Batch, record: SpanRecord): Refusal | null {
  const durationMs = lengthOf(batch.lesson, record.partId)
  if (durationMs === null) return REFUSALS.unknownPart
  if (record.toMs > durationMs + END_SLACK_MS || record.fromMs >= durationMs)
    return REFUSALS.beyondEnd
  const beganAtMs = Date.parse(record.beganAt)
  const endedAtMs = Date.parse(record.endedAt)
  if (beganAtMs > batch.nowMs + CLOCK_SLACK_MS) return REFUSALS.futureClock
  const { id, partId, fromMs, rate, beganAt, endedAt, muted, hidden } = record
  // Played in a hidden tab is kept, but it is not watching.
  const isTrue = isPlausible({ fromMs, toMs: record.toMs, rate, beganAtMs, endedAtMs })
  const counts = !hidden && isTrue && isWithinRules(batch, rate, endedAtMs)
  const toMs = Math.min(record.toMs, durationMs)
  const span = { id, partId, fromMs, toMs, rate, beganAt, endedAt, muted, hidden, counts }
  batch.taken.spans.push(span)
  return null
}

/** Played faster than the assignment allows, or after it had closed, is kept too, and counts as little. */
function isWithinRules({ assignment }: Batch, rate: number, endedAtMs: number): boolean {
  if (!assignment) return true
  const isSlowEnough = rate <= assignment.rules.topRate + RATE_SLACK
  return isSlowEnough && isInTime(endedAtMs, assignment.closesAt)
}

/** What the database holds of this learner. */
interface InDatabase {
  earlier: readonly Pick<ResponseRow, 'id' | 'questionId'>[]
  /** The question of each file that was handed in. */
  handed: ReadonlyMap<string, string>
  /** What had been watched before, by part. */
  watched: Record<string, Span[]>
}

type NewResponse = CreationAttributes<ResponseRow>

/** Marks a response and puts it among the `fresh` ones, unless it is kept already or can never be. */
function takeResponse(
  batch: Batch,
  record: ResponseRecordInput,
  { earlier, handed, watched }: InDatabase,
  fresh: NewResponse[],
): Refusal | null {
  const { attempt, lesson, assignment } = batch
  const asking = askingOf(lesson, record.cueId)
  if (asking?.questionId !== record.questionId) return REFUSALS.unknownQuestion
  const question = lesson.questions[record.questionId]!
  const { countdownMs = Infinity } = asking
  if ((record.waitedMs ?? 0) > countdownMs + COUNTDOWN_SLACK_MS) return REFUSALS.tooLate
  if (!fitsQuestion(question, record.answer)) return REFUSALS.wrongAnswerKind
  const known = [...earlier, ...fresh]
  if (known.some(({ id }) => id === record.id)) return null
  if (assignment && !isInTime(Date.parse(record.answeredAt), assignment.closesAt))
    return REFUSALS.closed
  if (filesOfAnswer(record.answer).some((id) => handed.get(id) !== question.id))
    return REFUSALS.missingFile
  const tries = known.filter(({ questionId }) => questionId === question.id).length
  if (question.tries > 0 && tries >= question.tries) return REFUSALS.noTriesLeft
  const { verdict, points } = markQuestion(question, record.answer)
  fresh.push({
    attemptId: attempt.id,
    id: record.id,
    cueId: record.cueId,
    questionId: question.id,
    tryNumber: tries + 1,
    answer: record.answer,
    verdict,
    points,
    answeredAt: new Date(record.answeredAt),
    seenShare: seenShare(question, record.answeredAt, watched, batch.taken.spans),
    tookMs: record.waitedMs ?? null,
  })
  return null
}

function takePlace(batch: Batch, record: PlaceRecord): Refusal | null {
  const durationMs = lengthOf(batch.lesson, record.partId)
  if (durationMs === null) return REFUSALS.unknownPart
  if (record.atMs > durationMs + END_SLACK_MS) return REFUSALS.beyondEnd
  if (Date.parse(record.at) > batch.nowMs + CLOCK_SLACK_MS) return REFUSALS.futureClock
  const { lesson, taken } = batch
  for (const cueId of record.released)
    if (Object.hasOwn(lesson.cues, cueId) || askingOf(lesson, cueId)) taken.released.push(cueId)
  const heard = heardAt(record.at, batch.nowMs)
  if (!taken.place || taken.place.at <= heard)
    taken.place = { partId: record.partId, atMs: record.atMs, at: heard }
  return null
}

function takeFinish(batch: Batch, record: FinishRecord): Refusal | null {
  if (lengthOf(batch.lesson, record.partId) === null) return REFUSALS.unknownPart
  const at = heardAt(record.at, batch.nowMs)
  if (!batch.finished.has(record.partId)) batch.finished.set(record.partId, at)
  return null
}

function takeChoice({ lesson, choices, nowMs }: Batch, record: ChoiceRecord): Refusal | null {
  if (!isWay(lesson, record)) return REFUSALS.unknownChoice
  if (Date.parse(record.at) > nowMs + CLOCK_SLACK_MS) return REFUSALS.futureClock
  choices.push({ ...record, at: heardAt(record.at, nowMs).toISOString() })
  return null
}

/** What keeps a note from being kept, but for how many there are; null where nothing does. */
function noteFault(batch: Batch, { partId, at }: OwnNoteRecord): Refusal | null {
  if (lengthOf(batch.lesson, partId) === null) return REFUSALS.unknownPart
  return Date.parse(at) > batch.nowMs + CLOCK_SLACK_MS ? REFUSALS.futureClock : null
}

/** Stores a learner's own notes; tells of each whether it was refused. The attempt is locked by now. */
async function storeNotes(
  ask: Ask,
  { attempt, notes, nowMs }: Batch,
): Promise<[id: string, refusal: Refusal | null][]> {
  if (notes.length === 0) return []
  const ids = new Set(notes.map(({ noteId }) => noteId))
  const room = MOST_NOTES - (await countOtherNotes(ask, attempt.id, [...ids]))
  const welcome = new Set([...ids].slice(0, Math.max(0, room)))
  const heard = notes.map((note) => ({ ...note, at: heardAt(note.at, nowMs).toISOString() }))
  // Of several words on one note in a batch, the last one by its time.
  const inTime = heard.sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0))
  const latest = new Map(inTime.map((note) => [note.noteId, note]))
  await storeOwnNotes(
    ask,
    attempt.id,
    [...latest.values()].filter(({ noteId }) => welcome.has(noteId)),
  )
  return notes.map(({ id, noteId }) => [id, welcome.has(noteId) ? null : REFUSALS.tooManyNotes])
}

/** Whether there is such a way: of a fork, or of the routes that leave a part. */
function isWay({ cues, routes = {} }: Lesson, { cueId, choiceId }: ChoiceRecord): boolean {
  const cue = Object.hasOwn(cues, cueId) ? cues[cueId]! : null
  if (cue?.kind === 'fork' && Object.hasOwn(cue.choices, choiceId)) return true
  return Object.hasOwn(routes, choiceId) && routes[choiceId]!.fromId === cueId
}

function takeSeen({ lesson, seen, nowMs }: Batch, record: SeenRecord): Refusal | null {
  const { partId, thingId } = record
  const part = Object.hasOwn(lesson.parts, partId) ? lesson.parts[partId]! : null
  if (!part) return REFUSALS.unknownPart
  if (thingId !== partId && !thingsToSee(part).includes(thingId)) return REFUSALS.unknownThing
  seen.push({ partId, thingId, at: heardAt(record.at, nowMs) })
  return null
}
