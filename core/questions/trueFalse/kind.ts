// What a true-or-false question can do.
import type { QuestionKind, QuestionMaking } from '../kind.ts'
import { markOf } from '../mark.ts'
import { answerOf } from '../reading.ts'
import type { TrueFalseAnswer, TrueFalseQuestion } from './schema.ts'

export const trueFalse: QuestionKind<TrueFalseQuestion, TrueFalseAnswer> = {
  graded: true,
  byPerson: false,
  mended: false,
  mark(question, answer) {
    const value = answerOf(answer, 'trueFalse')?.value
    const perPart = [true, false].map((one) => ({
      id: String(one),
      picked: value === one,
      right: question.right === one,
    }))
    return markOf(question, value === question.right ? 1 : 0, perPart)
  },
  fits: () => true,
  readable: (_question, { value }) => String(value),
  texts: () => [],
  media: () => [],
  chosen: ({ value }) => [String(value)],
  readsAsWord: true,
}

export const trueFalseMaking: QuestionMaking<TrueFalseQuestion, TrueFalseAnswer> = {
  // A second try at one of two would be a gift.
  blank: (base) => ({ ...base, tries: 1, kind: 'trueFalse', right: true }),
  findWhatCannotBeAsked: () => [],
  cut: (question) => ({ ...question, right: false }),
  draw: (question, right) => ({ kind: 'trueFalse', value: right === question.right }),
  guessing: () => 0.5,
  neverPartly: () => true,
  options: ({ right }) =>
    [true, false].map((value) => ({
      id: String(value),
      label: String(value),
      right: right === value,
    })),
}
