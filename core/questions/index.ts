// The only door of core/questions: one folder a kind, and the functions that serve every kind.
import { z } from 'zod'
import { markChoice } from './choice/mark.ts'
import { readableChoice } from './choice/readable.ts'
import { choiceAnswerSchema, choiceSchema } from './choice/schema.ts'
import type { Mark } from './mark.ts'

export const questionSchema = z.discriminatedUnion('kind', [choiceSchema])
export const answerSchema = z.discriminatedUnion('kind', [choiceAnswerSchema])

export type Question = z.infer<typeof questionSchema>
export type Answer = z.infer<typeof answerSchema>

/** Marks any value as an answer to any question; never throws. */
export function markQuestion(question: Question, answer: unknown): Mark {
  switch (question.kind) {
    case 'choice':
      return markChoice(question, answer)
  }
}

/** An answer as a person would read it in a report. */
export function readableAnswer(question: Question, answer: Answer): string {
  switch (question.kind) {
    case 'choice':
      return readableChoice(question, answer)
  }
}

export { optionsInOrder } from './choice/mark.ts'
export { choiceSchema, choiceOptionSchema } from './choice/schema.ts'
export type { ChoiceQuestion, ChoiceOption, ChoiceAnswer } from './choice/schema.ts'
export { pointsAfterTries, pointsKept, verdictOf } from './mark.ts'
export type { Mark, PartMark, Verdict } from './mark.ts'
export { findWhatCannotBeAsked } from './publishable.ts'
