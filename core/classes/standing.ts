// How an assignment stands at a moment, and how somebody stands in it. It needs no lesson: lists of assignments show it.

/** What is known of one attempt when it is asked whether it is complete. */
export interface AttemptFigures {
  finished: boolean
  confirmed: boolean
  /** 0 to 1; null where the lesson has no film. */
  watched: number | null
  answered: number
  questions: number
  points: number
  max: number
}

export interface AssignmentTimes {
  /** ISO 8601 in UTC; null where there is no such time. */
  opensAt: string | null
  dueAt: string | null
  closesAt: string | null
}

export type AssignmentPhase = 'early' | 'open' | 'late' | 'closed'

/** How an assignment stands at a moment; `late`: due already, and still open. */
export function phaseAt({ opensAt, dueAt, closesAt }: AssignmentTimes, now: Date): AssignmentPhase {
  const isPast = (time: string | null) => time !== null && Date.parse(time) <= now.getTime()
  if (opensAt !== null && !isPast(opensAt)) return 'early'
  if (isPast(closesAt)) return 'closed'
  return isPast(dueAt) ? 'late' : 'open'
}

/** Of several attempts the one that counts: complete before others, then by points, then by what was watched; the latest of equals. */
export function attemptThatCounts<
  T extends Pick<AttemptFigures, 'points' | 'watched'> & { isComplete: boolean },
>(attempts: readonly T[]): T | null {
  const rank = ({ isComplete, points, watched }: T) => [Number(isComplete), points, watched ?? 0]
  const isBetter = (one: T, other: T) => {
    const [a, b] = [rank(one), rank(other)]
    const at = a.findIndex((value, index) => value !== b[index])
    return at === -1 || a[at]! > b[at]!
  }
  return attempts.reduce<T | null>((best, one) => (best && !isBetter(one, best) ? best : one), null)
}

export type Stand = 'notBegun' | 'begun' | 'complete'

/** How somebody stands after all their attempts: by the one that counts, and when they were last heard of. */
export function stateOfAttempts<
  T extends Pick<AttemptFigures, 'points' | 'watched'> & {
    isComplete: boolean
    lastSeenAt: string
  },
>(attempts: readonly T[]): { best: T | null; state: Stand; lastSeenAt: string | null } {
  const best = attemptThatCounts(attempts)
  const times = attempts.map(({ lastSeenAt }) => lastSeenAt).sort()
  return {
    best,
    state: !best ? 'notBegun' : best.isComplete ? 'complete' : 'begun',
    lastSeenAt: times.at(-1) ?? null,
  }
}

/** Whoever was heard of within this time is there now, in ms: players send every five seconds while a film plays. */
export const HERE_WITHIN_MS = 40_000
/** Within this time somebody may still be reading or writing an answer, in ms. */
export const QUIET_WITHIN_MS = 10 * 60_000

export type Presence = 'here' | 'quiet' | 'away'

/** `quiet`: not heard of for a little while, as of somebody who reads. */
export function presenceAt(lastSeenAt: string | null, now: Date): Presence {
  const sinceMs = lastSeenAt === null ? Infinity : now.getTime() - Date.parse(lastSeenAt)
  if (sinceMs <= HERE_WITHIN_MS) return 'here'
  return sinceMs <= QUIET_WITHIN_MS ? 'quiet' : 'away'
}
