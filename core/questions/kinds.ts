// What every kind of question can do, by kind.
import { markChoice } from './choice/mark.ts'
import { readableChoice } from './choice/readable.ts'
import type { Mark } from './mark.ts'
import type { Answer, Question } from './schema.ts'

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
