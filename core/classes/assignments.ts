// Assignments: the rules a teacher gives, when they are open, and when they count as done.
import { TZDate } from '@date-fns/tz'
import { generateKeyBetween } from 'fractional-indexing'
import { filmsInOrder, type Lesson, type SeekRule } from '../lesson/index.ts'
import { reachedIn } from '../playback/index.ts'
import type { Span } from '../watching/index.ts'
import type { AttemptFigures, AssignmentTimes } from './standing.ts'

/** `lesson`: as each film of the lesson says. */
export const SEEK_RULES = ['lesson', 'free', 'backOnly', 'none'] as const
/** How fast films may be played; the last is as fast as players go. */
export const TOP_RATES = [1, 1.25, 1.5, 2] as const
/** When learners are told what came of their answers. */
export const FEEDBACK_TIMES = ['atOnce', 'afterDue', 'afterClosing'] as const
export const COMPLETIONS = ['finished', 'watched', 'answered', 'score', 'hand'] as const

export interface AssignmentRules {
  seek: (typeof SEEK_RULES)[number]
  topRate: (typeof TOP_RATES)[number]
  completion: {
    by: (typeof COMPLETIONS)[number]
    /** Of what has to be watched or scored, 0 to 1; of no meaning for the others. */
    share: number
  }
  /** Without it, at once. */
  feedback?: (typeof FEEDBACK_TIMES)[number] | undefined
  /** Whether devices mark, so that it works without a connection: what is right lies on them before it is told. */
  marksOffline?: boolean | undefined
  /** Whether the class talks about it; without it, not. */
  talk?: boolean | undefined
}

export const usualRules = (): AssignmentRules => ({
  seek: 'lesson',
  topRate: 2,
  completion: { by: 'finished', share: 0.8 },
})

/** Shares are compared as a teacher reads them: 79.6 % is 80 %. */
const reaches = (figure: number, share: number) =>
  Math.round(figure * 100) >= Math.round(share * 100)

/** Where a lesson has no film to watch, or nothing to score, whoever has finished it is done. */
export function isComplete({ completion }: AssignmentRules, figures: AttemptFigures): boolean {
  switch (completion.by) {
    case 'finished':
      return figures.finished
    case 'hand':
      return figures.confirmed
    case 'watched':
      return figures.watched === null
        ? figures.finished
        : reaches(figures.watched, completion.share)
    case 'answered':
      return figures.answered >= figures.questions
    case 'score':
      return figures.max > 0
        ? reaches(figures.points / figures.max, completion.share)
        : figures.finished
  }
}

/** Clocks differ a little, in ms. */
const CLOSING_SLACK_MS = 60_000

/** Whether what was done at `atMs` was done before closing. It may arrive later: whenever there is a connection again. */
export const isInTime = (atMs: number, closesAt: string | Date | null): boolean =>
  closesAt === null || atMs <= new Date(closesAt).getTime() + CLOSING_SLACK_MS

export type TimesFault = 'dueBeforeOpens' | 'closesBeforeOpens' | 'closesBeforeDue'

/** What keeps times from following one another, or null. */
export function timesFault({ opensAt, dueAt, closesAt }: AssignmentTimes): TimesFault | null {
  const isAfter = (one: string | null, other: string | null) =>
    one === null || other === null || Date.parse(one) > Date.parse(other)
  if (!isAfter(dueAt, opensAt)) return 'dueBeforeOpens'
  if (!isAfter(closesAt, opensAt)) return 'closesBeforeOpens'
  return closesAt === dueAt || isAfter(closesAt, dueAt) ? null : 'closesBeforeDue'
}

const STRICTNESS: readonly SeekRule[] = ['free', 'backOnly', 'none']

/** When learners are told what came of their answers; null for at once. Where the time that is named is not set, nobody would ever be told: then at once too. */
export function toldFrom(
  { feedback = 'atOnce' }: AssignmentRules,
  { dueAt, closesAt }: Pick<AssignmentTimes, 'dueAt' | 'closesAt'>,
): string | null {
  return feedback === 'atOnce' ? null : feedback === 'afterDue' ? (dueAt ?? closesAt) : closesAt
}

/** Whether learners are told now. */
export function tellsAt(
  rules: AssignmentRules,
  times: Pick<AssignmentTimes, 'dueAt' | 'closesAt'>,
  now: Date,
): boolean {
  const from = toldFrom(rules, times)
  return from === null || now.getTime() >= Date.parse(from)
}

/** When learners will be told who are not told yet; null where they are. */
export const heldBackUntil = (
  rules: AssignmentRules,
  times: Pick<AssignmentTimes, 'dueAt' | 'closesAt'>,
  now: Date,
): string | null => (tellsAt(rules, times, now) ? null : toldFrom(rules, times))

/** As long as nobody is told, nothing may hold until it is right, nor lead back where it is wrong: that would tell. */
function untold(lesson: Lesson): Lesson {
  const cues = Object.entries(lesson.cues).map(([id, cue]) =>
    cue.kind === 'question'
      ? [id, { ...cue, hold: cue.hold === 'right' ? 'answered' : cue.hold, sendBack: false }]
      : [id, cue],
  )
  return { ...lesson, cues: Object.fromEntries(cues) as Lesson['cues'] }
}

/** A lesson under rules, and its films in which they do not leave everybody free to jump. */
interface Strict {
  ruled: Lesson
  filmIds: string[]
}
/** Worked out once: a whole class is looked at under the same. */
const strictBy = new WeakMap<Lesson, WeakMap<AssignmentRules, Strict>>()

function strictUnder(lesson: Lesson, rules: AssignmentRules): Strict {
  const byRules = strictBy.get(lesson) ?? new WeakMap<AssignmentRules, Strict>()
  strictBy.set(lesson, byRules)
  const known = byRules.get(rules)
  if (known) return known
  const ruled = underRules(lesson, rules)
  const films = filmsInOrder(ruled).filter(({ seekRule }) => seekRule !== 'free')
  const strict = { ruled, filmIds: films.map(({ id }) => id) }
  byRules.set(rules, strict)
  return strict
}

/** A lesson as it is learned under these rules; the assignment's word on jumping goes before the lesson's. */
export function underRules(whole: Lesson, rules: AssignmentRules, tells = true): Lesson {
  const lesson = tells ? whole : untold(whole)
  const { seek } = rules
  if (seek === 'lesson') return lesson
  const rule = STRICTNESS.find((one) => one === seek)!
  const films = filmsInOrder(lesson).map((part) => [part.id, { ...part, seekRule: rule }] as const)
  return { ...lesson, parts: { ...lesson.parts, ...Object.fromEntries(films) } }
}

/**
 * How much film lies jumped over before the furthest point that was watched, in ms, in films where the rules allow no jump
 * ahead. It is worked out from all that was watched, so it makes no difference in which order devices sent it.
 */
export function jumpedOverMs(
  lesson: Lesson,
  rules: AssignmentRules,
  covered: Readonly<Record<string, readonly Span[]>>,
): number {
  const { ruled, filmIds } = strictUnder(lesson, rules)
  return filmIds.reduce((sum, id) => sum + reachedIn(ruled, id, covered[id] ?? []).jumpedMs, 0)
}

/** The moment that a clock on the wall of a time zone shows (`2026-11-26T09:30`), as ISO 8601 in UTC. */
export function fromWallClock(words: string, zone: string): string | null {
  const read = /^(\d{4})-(\d\d)-(\d\d)T(\d\d):(\d\d)/.exec(words)
  if (!read) return null
  const [year, month, day, hour, minute] = read.slice(1).map(Number) as [
    number,
    number,
    number,
    number,
    number,
  ]
  const date = new TZDate(year, month - 1, day, hour, minute, 0, 0, zone)
  return Number.isNaN(date.getTime()) ? null : new Date(date.getTime()).toISOString()
}

/** What a clock on the wall of a time zone shows at a moment: `2026-11-26T09:30`. */
export function toWallClock(iso: string, zone: string): string {
  const date = new TZDate(Date.parse(iso), zone)
  const two = (number: number) => String(number).padStart(2, '0')
  const day = `${String(date.getFullYear()).padStart(4, '0')}-${two(date.getMonth() + 1)}-${two(date.getDate())}`
  return `${day}T${two(date.getHours())}:${two(date.getMinutes())}`
}

/** The place in an order right before another thing, or at the end; `others` are those it stands among, in order. */
export function positionBefore(
  others: readonly { id: string; position: string }[],
  beforeId: string | null,
): string {
  const at = others.findIndex(({ id }) => id === beforeId)
  const index = at === -1 ? others.length : at
  return generateKeyBetween(others[index - 1]?.position ?? null, others[index]?.position ?? null)
}
