// What records say of the places of a lesson: each is looked at by itself, against the lesson and the time of its batch.
import type {
  ChoiceRecord,
  FinishRecord,
  OwnNoteRecord,
  PlaceRecord,
  SeenRecord,
  SpanRecord,
} from '@fernbrake/core/contract'
import { assertNever } from '@fernbrake/core/fields'
import { askingOf, filmLengthMs, thingsToSee, type Lesson } from '@fernbrake/core/lesson'
import type { ChoiceRow } from './queries/choices.ts'
import type { Taken } from './queries/covered.ts'
import type { Seen } from './queries/seenThings.ts'
import { heardAt, type BatchTime } from './clocks.ts'
import { REFUSALS, type Refusal } from './refusals.ts'

/** Reported times may lie past the film's end by this much, in ms: the container and the stream differ a little. */
export const END_SLACK_MS = 500

/** How long a part plays, in ms; all but films do not at all. Null where there is no such part. */
export const lengthOf = (lesson: Lesson, partId: string): number | null =>
  Object.hasOwn(lesson.parts, partId) ? (filmLengthMs(lesson, partId) ?? 0) : null

/** What a batch says of where a learner is and what they did, answers and watching aside. */
export interface Movement {
  place: Taken['place']
  released: string[]
  choices: ChoiceRow[]
  /** When parts were said to be finished. */
  finished: Map<string, Date>
  seen: Seen[]
  notes: OwnNoteRecord[]
}

export const noMovement = (): Movement => ({
  place: null,
  released: [],
  choices: [],
  finished: new Map(),
  seen: [],
  notes: [],
})

type MovementRecord = PlaceRecord | FinishRecord | ChoiceRecord | SeenRecord | OwnNoteRecord

/** Takes one record into the movement of its batch; answers why it can never be taken, or null. */
export function takeMovement(
  lesson: Lesson,
  time: BatchTime,
  to: Movement,
  record: MovementRecord,
): Refusal | null {
  switch (record.kind) {
    case 'place':
      return takePlace(lesson, time, to, record)
    case 'finish':
      return takeFinish(lesson, time, to, record)
    case 'choice':
      return takeChoice(lesson, time, to, record)
    case 'seen':
      return takeSeen(lesson, time, to, record)
    case 'ownNote':
      return takeNote(lesson, time, to, record)
    default:
      return assertNever(record)
  }
}

/** What keeps a span from being taken in at all; null where nothing does. */
export function spanFault(lesson: Lesson, { partId, fromMs, toMs }: SpanRecord): Refusal | null {
  const durationMs = lengthOf(lesson, partId)
  if (durationMs === null) return REFUSALS.unknownPart
  return toMs > durationMs + END_SLACK_MS || fromMs >= durationMs ? REFUSALS.beyondEnd : null
}

function takePlace(lesson: Lesson, time: BatchTime, to: Movement, record: PlaceRecord) {
  const durationMs = lengthOf(lesson, record.partId)
  if (durationMs === null) return REFUSALS.unknownPart
  if (record.atMs > durationMs + END_SLACK_MS) return REFUSALS.beyondEnd
  for (const cueId of record.released)
    if (Object.hasOwn(lesson.cues, cueId) || askingOf(lesson, cueId)) to.released.push(cueId)
  const { at } = heardAt(record.at, time)
  if (!to.place || to.place.at <= at) to.place = { partId: record.partId, atMs: record.atMs, at }
  return null
}

function takeFinish(lesson: Lesson, time: BatchTime, to: Movement, record: FinishRecord) {
  if (lengthOf(lesson, record.partId) === null) return REFUSALS.unknownPart
  if (!to.finished.has(record.partId)) to.finished.set(record.partId, heardAt(record.at, time).at)
  return null
}

function takeChoice(lesson: Lesson, time: BatchTime, to: Movement, record: ChoiceRecord) {
  if (!isWay(lesson, record)) return REFUSALS.unknownChoice
  to.choices.push({ ...record, at: heardAt(record.at, time).at.toISOString() })
  return null
}

/** Whether there is such a way: of a fork, or of the routes that leave a part. */
function isWay({ cues, routes = {} }: Lesson, { cueId, choiceId }: ChoiceRecord): boolean {
  const cue = Object.hasOwn(cues, cueId) ? cues[cueId]! : null
  if (cue?.kind === 'fork' && Object.hasOwn(cue.choices, choiceId)) return true
  return Object.hasOwn(routes, choiceId) && routes[choiceId]!.fromId === cueId
}

function takeSeen(lesson: Lesson, time: BatchTime, to: Movement, record: SeenRecord) {
  const { partId, thingId } = record
  const part = Object.hasOwn(lesson.parts, partId) ? lesson.parts[partId]! : null
  if (!part) return REFUSALS.unknownPart
  if (thingId !== partId && !thingsToSee(part).includes(thingId)) return REFUSALS.unknownThing
  to.seen.push({ partId, thingId, at: heardAt(record.at, time).at })
  return null
}

function takeNote(lesson: Lesson, time: BatchTime, to: Movement, record: OwnNoteRecord) {
  if (lengthOf(lesson, record.partId) === null) return REFUSALS.unknownPart
  to.notes.push({ ...record, at: heardAt(record.at, time).at.toISOString() })
  return null
}
