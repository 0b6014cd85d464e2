// How all have answered a question that only asks: a poll, a scale.
import type { Answer } from '../questions/index.ts'

export interface Tally {
  /** Learners who have answered. */
  answered: number
  /** By option, or by step of a scale: how many chose it. */
  counts: Record<string, number>
}

/** What one answer counts for. */
function choicesOf(answer: Answer): string[] {
  if (answer.kind === 'poll') return [...new Set(answer.picked)]
  return answer.kind === 'scale' ? [String(answer.value)] : []
}

/** Counts the newest answer of each learner; `answers` holds one a learner. */
export function tallyOf(answers: readonly { answer: Answer }[]): Tally {
  const counts: Record<string, number> = {}
  for (const { answer } of answers)
    for (const choice of choicesOf(answer)) counts[choice] = (counts[choice] ?? 0) + 1
  return { answered: answers.length, counts }
}
