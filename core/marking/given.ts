// A mark that a person gave: whether it can be one, and what it makes of the answer's own.
import { pointsOfLevels, rubricOf, type Question, type Verdict } from '../questions/index.ts'

export const LONGEST_COMMENT = 4000

/** The verdict that so many points of a question stand for. */
export function verdictOfPoints({ points: max }: { points: number }, points: number): Verdict {
  if (points <= 0) return max > 0 ? 'wrong' : 'right'
  return points >= max ? 'right' : 'partly'
}

export type MarkFault = 'aboveMax' | 'belowZero' | 'levelsMissing' | 'levelsDiffer'

/** What keeps these points, and these levels of a rubric, from being a mark of this question; null where nothing does. */
export function markFault(
  question: Question,
  { points, levels }: { points: number; levels: readonly (number | null)[] | null },
): MarkFault | null {
  if (points < 0) return 'belowZero'
  if (points > question.points) return 'aboveMax'
  if (levels === null) return null
  if (!('rubric' in question) || rubricOf(question).length === 0) return 'levelsDiffer'
  const come = pointsOfLevels(question, levels)
  if (come === null) return 'levelsMissing'
  return Math.abs(come - points) < 0.005 ? null : 'levelsDiffer'
}
