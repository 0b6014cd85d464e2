// How all have answered a question that only asks: a poll, a scale.
import { chosenIn, type Answer } from '../questions/index.ts'

export interface Tally {
  /** Learners who have answered. */
  answered: number
  /** By option, or by step of a scale: how many chose it. */
  counts: Record<string, number>
}

/** Counts the newest answer of each learner; `answers` holds one a learner. */
export function tallyOf(answers: readonly { answer: Answer }[]): Tally {
  const counts: Record<string, number> = {}
  for (const { answer } of answers)
    for (const choice of chosenIn(answer)) counts[choice] = (counts[choice] ?? 0) + 1
  return { answered: answers.length, counts }
}
