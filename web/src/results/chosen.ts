// What was chosen in a poll or on a scale.
import { countablesOf, type Question } from '@fernbrake/core/questions'

/** What was chosen where nothing is right, as bars; empty for other kinds. */
export const chosenOf = (
  question: Question,
  { answered, counts }: { answered: number; counts: Record<string, number> },
) =>
  countablesOf(question).map((row) => {
    const count = counts[row.id] ?? 0
    return { ...row, count, share: answered > 0 ? count / answered : 0 }
  })
