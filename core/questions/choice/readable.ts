// How a learner's answer to a choice question reads in a report.
import { optionsInOrder } from './mark.ts'
import type { ChoiceAnswer, ChoiceQuestion } from './schema.ts'

/** The texts of the picked options in the designer's order; an unknown option is left out. */
export function readableChoice(question: ChoiceQuestion, answer: ChoiceAnswer): string {
  return optionsInOrder(question)
    .filter((option) => answer.picked.includes(option.id))
    .map((option) => option.text)
    .join('; ')
}
