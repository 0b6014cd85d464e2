// Whether a condition holds: the one place where that is decided, for forks, routes and gates alike.
import { assertNever } from '../fields/index.ts'
import type { Condition } from '../lesson/index.ts'

/** What is known of a learner beyond the answers. */
export interface RouteFacts {
  /** Share of the marks that could be had at the questions met so far, 0 to 1. */
  score: number
  /** Share of each part that was watched, 0 to 1. */
  watched: Readonly<Record<string, number>>
  /** The parts that were opened. */
  visited: readonly string[]
  /** What cannot be judged here, where questions were cut for this learner; the server judges it instead. */
  hidden?: Hidden
}

/** Conditions that only the server can judge, and what it says of them. */
export interface Hidden {
  /** What asks the questions of which it is not known here whether an answer is right. */
  cues: ReadonlySet<string>
  /** The parts whose gates are shut. */
  shut: readonly string[]
  /** The ways that are open, by where they leave from, as far as that was asked. */
  open: Readonly<Record<string, readonly string[]>>
}

/** Whether a condition cannot be judged here. */
export function isHidden(condition: Condition | null, { hidden }: RouteFacts): boolean {
  if (!hidden || condition === null) return false
  if (condition.if === 'score') return hidden.cues.size > 0
  const isVerdict = condition.if === 'answer' && condition.is !== 'given'
  return isVerdict && condition.cueId !== null && hidden.cues.has(condition.cueId)
}

/** Shares are compared with this much to spare, since they are quotients. */
const SPARE = 1e-9

/** Whether `condition` holds; no condition always does. `results` are the answers given, by what asked for them. */
export function isMet(
  condition: Condition | null,
  facts: RouteFacts,
  results: Readonly<Record<string, { right: boolean }>>,
): boolean {
  if (condition === null) return true
  switch (condition.if) {
    case 'answer': {
      const result = condition.cueId === null ? undefined : results[condition.cueId]
      if (condition.is === 'given') return result !== undefined
      return result !== undefined && result.right === (condition.is === 'right')
    }
    case 'score':
      return facts.score + SPARE >= condition.atLeast
    case 'watched':
      return (facts.watched[condition.partId] ?? 0) + SPARE >= condition.atLeast
    case 'visited':
      return facts.visited.includes(condition.partId)
    default:
      return assertNever(condition)
  }
}
