// Whether a learner has finished a part, by what they did and not by what their device says of it.
import { partOfKind, thingsToBeSeen, type Lesson, type Part } from '../lesson/index.ts'
import { HELP_AFTER_TRIES, isSettled } from '../questions/index.ts'
import type { ResponseRecord } from '../analysis/index.ts'
import type { Span } from '../watching/index.ts'
import { reachedIn } from './reached.ts'
import { buildSchedule, isRequired, type QuestionMoment, type Schedule } from './schedule.ts'

/** Whoever came this near to a film's end or to a fork, in ms, has reached it: the last frames are often not told of. */
export const END_SLACK_MS = 1500

/** What the records of a learner say, by part where they belong to one. */
export interface DoneInParts {
  /** What was played, watched or not. */
  played: Readonly<Record<string, readonly Span[]>>
  seen: Readonly<Record<string, readonly string[]>>
  responses: readonly (ResponseRecord & { cueId: string })[]
  /** What asks and is said to lie behind the learner. */
  released: readonly string[]
  /** Every way that was taken, by the fork it was taken at. */
  chosen: Readonly<Record<string, readonly string[]>>
}

/**
 * Whether what a learner did bears out that they have finished a part: a film, once its held questions that must be answered
 * are answered, or were led round, and its end was reached by playing or by jumps that are allowed; a part whose things
 * must be seen, once all of them were; all else, once it was opened. Under which rule jumps are allowed is the lesson's as it was learned, see `underRules`.
 */
export function hasFinished(lesson: Lesson, partId: string, did: DoneInParts): boolean {
  const film = partOfKind(lesson, partId, 'film')
  if (!film) return wasSeen(lesson.parts[partId]!, did.seen[partId] ?? [])
  const durationMs = film.durationMs ?? 0
  const schedule = buildSchedule(lesson, partId, durationMs)
  const isAnswered = schedule.moments.every(
    (moment) =>
      moment.kind === 'fork' ||
      !isRequired(moment) ||
      isLedRound(schedule, moment, did) ||
      isDone(lesson, moment, did),
  )
  return isAnswered && (film.seekRule === 'free' || hasReachedEnd(lesson, schedule, partId, did))
}

/** Whether a part that is no film was opened, and all of it that must be seen was. */
const wasSeen = (part: Part, seen: readonly string[]): boolean =>
  seen.includes(part.id) && unseenOf(part, seen).length === 0

/** What a learner has still to see of a part before it counts as finished. */
export const unseenOf = (part: Part, seen: readonly string[]): string[] =>
  thingsToBeSeen(part).filter((id) => !seen.includes(id))

function hasReachedEnd(
  lesson: Lesson,
  { durationMs, moments }: Schedule,
  partId: string,
  { played, chosen }: DoneInParts,
): boolean {
  const { furthestMs } = reachedIn(lesson, partId, played[partId] ?? [])
  if (furthestMs >= durationMs - END_SLACK_MS) return true
  // A way may lead right to the end, where nothing is left to be played.
  return moments.some(
    (fork) =>
      fork.kind === 'fork' &&
      furthestMs >= fork.atMs - END_SLACK_MS &&
      fork.ways.some(
        ({ id, target }) =>
          target.to === 'time' &&
          target.atMs >= durationMs - END_SLACK_MS &&
          chosen[fork.cueId]?.includes(id),
      ),
  )
}

/** Whether a fork led past a question. */
const isLedRound = (
  { moments }: Schedule,
  { atMs }: QuestionMoment,
  { chosen }: DoneInParts,
): boolean =>
  moments.some(
    (fork) =>
      fork.kind === 'fork' &&
      fork.atMs <= atMs &&
      fork.ways.some(
        ({ id, target }) =>
          target.to === 'time' && atMs < target.atMs && chosen[fork.cueId]?.includes(id),
      ),
  )

/** Answered as far as the hold wants it; one whose time ran out lies behind without an answer. */
function isDone(
  lesson: Lesson,
  moment: QuestionMoment,
  { responses, released }: DoneInParts,
): boolean {
  const { cueId, hold, countdownMs } = moment
  if (countdownMs !== null && released.includes(cueId)) return true
  const own = responses.filter((one) => one.cueId === cueId)
  if (own.length === 0) return false
  const { tries = 0 } = lesson.questions[own[0]!.questionId] ?? {}
  // Where nobody may be told whether it is right, nobody is held for it longer than that.
  const most = tries > 0 ? tries : HELP_AFTER_TRIES
  if (hold !== 'right' || own.length >= most) return true
  return own.some(({ verdict }) => isSettled(verdict))
}
