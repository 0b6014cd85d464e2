// The mark book of a class: what everybody reached in each assignment, and all together by weight.

/**
 * What a cell of the book stands for. `marked`: it counts with its points, also where these are none. `begun`: nothing is
 * answered yet, and it is not due. `missing`: it is due, and was not begun; it counts as none. The others are empty, and
 * count nowhere: `notYet` is not due or not open, `notGiven` was meant for others, `excused` by a teacher.
 */
export const BOOK_STATES = ['marked', 'begun', 'missing', 'notYet', 'notGiven', 'excused'] as const
export type BookState = (typeof BOOK_STATES)[number]

/** What is known of one learner and one assignment. */
export interface BookFacts {
  /** Whether it is for them, now. */
  isGiven: boolean
  isExcused: boolean
  /** Whether the time by which it was to be done is over. */
  isDue: boolean
  /** How many questions of their best attempt are answered, of how many; null where none was begun. */
  begun: { answered: number; questions: number } | null
}

export function bookStateOf({ isGiven, isExcused, isDue, begun }: BookFacts): BookState {
  if (isExcused) return 'excused'
  if (begun) return isDue || begun.answered > 0 || begun.questions === 0 ? 'marked' : 'begun'
  if (!isGiven) return 'notGiven'
  return isDue ? 'missing' : 'notYet'
}

export interface BookMark {
  state: BookState
  points: number
  max: number
}

/**
 * The share of all marks, 0 to 1: that of each assignment by its weight, as far as it counts. One without marks to be had,
 * or without weight, does not. Null where nothing counts.
 */
export function weightedShare(marks: readonly { weight: number; mark: BookMark }[]): number | null {
  let [sum, weights] = [0, 0]
  for (const { weight, mark } of marks) {
    const counts = mark.state === 'marked' || mark.state === 'missing'
    if (!counts || weight <= 0 || mark.max <= 0) continue
    sum += weight * (mark.points / mark.max)
    weights += weight
  }
  return weights > 0 ? sum / weights : null
}
