// One sitting of a simulated learner: the clock, and the records that a real learner's player would send.
import { advance, noProgress, type LearnerProgress, type LearnerRecord } from '../records/index.ts'
import type { Lesson } from '../lesson/index.ts'
import type { Span } from '../watching/index.ts'
import type { Persona } from './persona.ts'
import type { Random } from '../chance/index.ts'

/** How far they have come is kept as a player keeps it, by each record they make. */
export interface Sitting extends LearnerProgress {
  lesson: Lesson
  random: Random
  persona: Persona
  /** Clock time, ms since the epoch; moves on as they watch and think. */
  clockMs: number
  records: LearnerRecord[]
}

export const beginSitting = (
  lesson: Lesson,
  persona: Persona,
  random: Random,
  startMs: number,
): Sitting => ({ ...noProgress(), lesson, random, persona, clockMs: startMs, records: [] })

/** Puts a record with the others, and takes up what it brings on. */
export function record(sitting: Sitting, made: LearnerRecord): void {
  sitting.records.push(made)
  advance(sitting.lesson, sitting, made)
}

const isoTime = (ms: number) => new Date(ms).toISOString()

/** Lets some time go by, between two bounds in ms. */
export function pass(sitting: Sitting, [from, to]: readonly [number, number]): number {
  const ms = Math.round(from + sitting.random.next() * (to - from))
  sitting.clockMs += ms
  return ms
}

export function recordSeen(sitting: Sitting, partId: string, thingId: string): void {
  const { random, clockMs, seen } = sitting
  if (seen[partId]?.includes(thingId)) return
  record(sitting, { kind: 'seen', id: random.id(), partId, thingId, at: isoTime(clockMs) })
}

export function recordSpan(sitting: Sitting, partId: string, { fromMs, toMs }: Span): void {
  if (toMs <= fromMs) return
  const { rate } = sitting.persona
  const beganAt = isoTime(sitting.clockMs)
  sitting.clockMs += Math.ceil((toMs - fromMs) / rate)
  record(sitting, {
    kind: 'span',
    id: sitting.random.id(),
    partId,
    fromMs,
    toMs,
    rate,
    beganAt,
    endedAt: isoTime(sitting.clockMs),
    muted: false,
    hidden: false,
  })
}

export function recordPlace(sitting: Sitting, partId: string, atMs: number): void {
  const { random, released, clockMs } = sitting
  record(sitting, {
    kind: 'place',
    id: random.id(),
    partId,
    atMs: Math.round(atMs),
    released: [...released],
    at: isoTime(clockMs),
  })
}

export function recordChoice(sitting: Sitting, cueId: string, choiceId: string): void {
  const { random, clockMs } = sitting
  record(sitting, { kind: 'choice', id: random.id(), cueId, choiceId, at: isoTime(clockMs) })
}

export function recordFinish(sitting: Sitting, partId: string, atMs: number): void {
  recordPlace(sitting, partId, atMs)
  const { random, clockMs } = sitting
  record(sitting, { kind: 'finish', id: random.id(), partId, at: isoTime(clockMs) })
}
