// What was chosen in a poll or on a scale.
import { inOrder, plainOf } from '@fernbrake/core/fields'
import { labelOfStep, stepsOf, type Question } from '@fernbrake/core/questions'

/** What was chosen in a poll or on a scale, as bars; empty for other kinds. */
export function chosenOf(
  question: Question,
  { answered, counts }: { answered: number; counts: Record<string, number> },
) {
  const rows =
    question.kind === 'poll'
      ? inOrder(Object.values(question.options)).map(({ id, text, colour }) => ({
          id,
          label: plainOf(text),
          colour,
        }))
      : question.kind === 'scale'
        ? stepsOf(question).map((step) => ({
            id: String(step),
            label: `${step} ${labelOfStep(question, step)}`.trim(),
            colour: question.colour,
          }))
        : []
  return rows.map((row) => {
    const count = counts[row.id] ?? 0
    return { ...row, count, share: answered > 0 ? count / answered : 0 }
  })
}
