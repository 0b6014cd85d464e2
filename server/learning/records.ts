// Taking in what a learner's player sends. A batch is stored whole or not at all, and acknowledged record by record.
import type { RecordsReply } from '@fernbrake/core/contract'
import { asksIn, handsIn, type Lesson } from '@fernbrake/core/lesson'
import { MOST_NOTES } from '@fernbrake/core/notes'
import {
  heardAt,
  judgeBatch,
  timeOf,
  type BatchTime,
  type Judgement,
  type LearnerRecord,
  type NoteReported,
  type Outcomes,
  type RecordRules,
} from '@fernbrake/core/records'
import { prepared, within, type Ask } from '../database/connect.ts'
import { AttemptRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import { readAssignmentOf, type AssignmentFacts } from './queries/assignments.ts'
import { attemptFacts, type AttemptFacts } from './queries/attemptFacts.ts'
import { readClockRow, type KnownClock } from './queries/clocks.ts'
import { storeChoices } from './queries/choices.ts'
import { readKnownSpans, storeBatch, type Stored, type BatchToStore } from './queries/covered.ts'
import { editionDocument } from '../lessons/queries/editions.ts'
import { storeFinished } from './queries/finishedParts.ts'
import { countOtherNotes, storeOwnNotes } from './queries/ownNotes.ts'
import { storeSeen } from './queries/seenThings.ts'
import { storeResponses } from './answers.ts'
import { tellMore } from './attempts.ts'
import { clockOf, forgetClock, rememberClock } from './clocks.ts'
import type { Context } from '../context.ts'
import { settleFinished } from './finishing.ts'
import { keepSayings, talkOf } from './sayings.ts'
import { holdingOf, underOf } from './telling.ts'

export interface SentRecords {
  records: readonly LearnerRecord[]
  /** What the device's clock showed as it sent; null where it does not say. */
  sentAt?: string | null
}

/** What the player is answered, the words of refusals aside. */
export interface RecordsAccepted extends Omit<RecordsReply, 'refused'> {
  refused: Omit<RecordsReply['refused'][number], 'message'>[]
}

/** A batch with what it belongs to. */
interface Batch extends SentRecords {
  attempt: AttemptFacts
  /** What the attempt was begun for, where it was given to a class. */
  assignment: AssignmentFacts | null
  lesson: Lesson
  now: Date
}

/** So often a batch is judged anew because another of the same learner came in between. */
const MOST_TRIES = 5

/**
 * Stores a batch. Every id comes back either as kept (in the database now) or as refused with a reason (it can never
 * be taken in, and sending it again is of no use). A repeat of what is kept changes nothing.
 */
export async function acceptRecords(
  context: Context,
  attemptId: string,
  sent: SentRecords,
  now = new Date(),
): Promise<RecordsAccepted> {
  const attempt = await attemptFacts(attemptId)
  if (!attempt) throw new HttpError('not-found')
  const assignment = await readAssignmentOf(context.database, attempt)
  const batch: Batch = { ...sent, attempt, assignment, lesson: await editionDocument(attempt), now }
  const told = isWatchingAlone(batch)
    ? await storeWatching(context, batch)
    : await storeAll(context, batch)
  if (sent.records.some(({ kind }) => kind === 'response' || kind === 'finish' || kind === 'seen'))
    context.announce.resultsNew(attempt.lessonId)
  const touched = touchedBy(batch)
  const learned = { facts: attempt, lesson: batch.lesson, assignment }
  const more = touched.size > 0 ? await tellMore(context, learned, { touched }) : null
  const reply: RecordsAccepted = { kept: [], refused: [], ...(more ? { told: more } : {}) }
  for (const [id, refusal] of told)
    if (refusal) reply.refused.push({ id, code: refusal })
    else reply.kept.push(id)
  return reply
}

/** The questions of which more may be told after a batch: what was answered, and what was handed in with a quiz. */
function touchedBy({ records, lesson }: Batch): Set<string> {
  const questions = records.flatMap((record) => {
    if (record.kind === 'response') return [record.questionId]
    const part = record.kind === 'finish' ? lesson.parts[record.partId] : undefined
    return part && handsIn(part) ? asksIn(part).map(({ questionId }) => questionId) : []
  })
  return new Set(questions)
}

/** What was watched, and where, is one statement, which needs no transaction; all else is counted, and waits its turn. */
const isWatchingAlone = ({ records }: Batch): boolean =>
  records.every(({ kind }) => kind === 'span' || kind === 'place')

const timeOfBatch = ({ state }: KnownClock, { attempt, records, sentAt = null, now }: Batch) =>
  timeOf(state, records, {
    sentAt,
    bounds: { openedMs: attempt.openedAt.getTime(), nowMs: now.getTime() },
  })

async function storeWatching(context: Context, batch: Batch): Promise<Outcomes> {
  const { database, pool } = context
  const { id: attemptId } = batch.attempt
  const ask = prepared(pool, 'store-taken')
  for (let tries = 0; tries < MOST_TRIES; tries += 1) {
    const clock = await clockOf(within(database), attemptId)
    if (!clock) break
    const judged = judge(batch, clock, await knownAmong(database, batch, tries))
    const taken = batchToStore(judged, batch.now)
    const stored = await storeBatch(ask, attemptId, taken)
    if (stored === 'gone') break
    logClock(attemptId, taken, stored)
    if (stored === 'stale') continue
    if (stored === 'storedWithClaims') await settle(context, batch)
    return judged.outcomes
  }
  // What does not come to rest is settled with the row held.
  return storeAll(context, batch)
}

/** Only where a first try found that some were stored before is it asked which: mostly none were. */
const knownAmong = async (
  database: Context['database'],
  { attempt, records }: Batch,
  tries: number,
): Promise<ReadonlySet<string>> =>
  tries === 0
    ? new Set()
    : readKnownSpans(
        within(database),
        attempt.id,
        records.filter((record) => record.kind === 'span'),
      )

function logClock(attemptId: string, { clock }: Pick<BatchToStore, 'clock'>, stored: Stored): void {
  if (stored === 'stale' || stored === 'gone') forgetClock(attemptId)
  else if (clock) rememberClock(attemptId, { state: clock.after, revision: clock.revision + 1 })
}

/** Stores a batch with answers, ways or words in it, while the attempt is held. */
async function storeAll(context: Context, batch: Batch): Promise<Outcomes> {
  const { database } = context
  const { attempt, assignment, lesson, records } = batch
  const told = await database.transaction(async (transaction): Promise<Outcomes | null> => {
    const ask = within(database)
    const lock = transaction.LOCK.UPDATE
    if (!(await AttemptRow.findByPk(attempt.id, { attributes: ['id'], lock }))) return null
    const clock = (await readClockRow(ask, attempt.id))!
    const judged = judge(batch, clock, await knownAmong(database, batch, 1))
    const { outcomes, report, time, watched } = judged
    const holding = holdingOf(attempt, lesson, underOf(assignment), { now: batch.now })
    const about = { attemptId: attempt.id, holding, lesson, assignment, time, spans: watched.spans }
    const responses = records.filter((record) => record.kind === 'response')
    outcomes.push(...(await storeResponses(ask, about, responses)))
    outcomes.push(...(await storeNotes(ask, attempt.id, report.notes)))
    outcomes.push(...(await storeSayings(ask, batch, time)))
    await storeBatch(ask, attempt.id, batchToStore(judged, batch.now))
    await storeSeen(ask, attempt.id, report.seen)
    await storeChoices(ask, attempt.id, report.choices)
    await storeFinished(ask, attempt.id, report.finished)
    await settleFinished(ask, attempt.id, lesson, assignment)
    return outcomes
  })
  // What is remembered is what was committed, and that is read again.
  forgetClock(attempt.id)
  if (!told) throw new HttpError('not-found')
  return told
}

/** Parts that are said to be finished may be borne out by what was watched since. */
async function settle(
  { database }: Context,
  { attempt, lesson, assignment }: Batch,
): Promise<void> {
  await database.transaction(async (transaction) => {
    const lock = transaction.LOCK.UPDATE
    if (await AttemptRow.findByPk(attempt.id, { attributes: ['id'], lock }))
      await settleFinished(within(database), attempt.id, lesson, assignment)
  })
}

/** By which rules of its assignment records are judged. */
const rulesOf = (assignment: AssignmentFacts | null): RecordRules | null =>
  assignment && { topRate: assignment.rules.topRate, closesAt: assignment.closesAt }

interface Judged extends Judgement {
  time: BatchTime
  clock: KnownClock
}

/** Looks at what was watched and where the learner went, without storing anything; `known` spans are stored already. */
function judge(batch: Batch, clock: KnownClock, known: ReadonlySet<string>): Judged {
  const { lesson, assignment, records } = batch
  const time = timeOfBatch(clock, batch)
  return {
    ...judgeBatch({ lesson, records, rules: rulesOf(assignment) }, time, known),
    time,
    clock,
  }
}

/** What the one statement stores that every batch needs. */
function batchToStore({ watched, report, clock }: Judged, seenAt: Date): BatchToStore {
  const { spans, parts, after } = watched
  const isClockNew = spans.length > 0
  return {
    spans,
    parts,
    place: report.place,
    released: report.released,
    seenAt,
    clock: isClockNew ? { after, revision: clock.revision } : null,
  }
}

async function storeSayings(
  ask: Ask,
  { attempt, assignment, lesson, records, now }: Batch,
  time: BatchTime,
): Promise<Outcomes> {
  const said = records.filter((record) => record.kind === 'say')
  if (said.length === 0) return []
  const sayings = said.map(({ kind: _, ...saying }) => ({
    ...saying,
    at: heardAt(saying.at, time).at.toISOString(),
  }))
  const talk = await talkOf(ask, attempt, assignment)
  const speaker = { talk, personId: attempt.personId, lesson }
  return keepSayings(ask, speaker, sayings, now.getTime())
}

/** Stores a learner's own notes; tells of each whether it was refused. The attempt is locked by now. */
async function storeNotes(
  ask: Ask,
  attemptId: string,
  notes: readonly NoteReported[],
): Promise<Outcomes> {
  if (notes.length === 0) return []
  const ids = new Set(notes.map(({ noteId }) => noteId))
  const room = MOST_NOTES - (await countOtherNotes(ask, attemptId, [...ids]))
  const welcome = new Set([...ids].slice(0, Math.max(0, room)))
  // Of several words on one note in a batch, the last one by its time.
  const inTime = [...notes].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0))
  const latest = new Map(inTime.map((note) => [note.noteId, note]))
  await storeOwnNotes(
    ask,
    attemptId,
    [...latest.values()].filter(({ noteId }) => welcome.has(noteId)),
  )
  return notes.map(({ id, noteId }) => [id, welcome.has(noteId) ? null : 'tooManyNotes'])
}
