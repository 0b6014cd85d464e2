// What a question for a long answer can do.
import { issueAt, oneOf, type QuestionKind, type QuestionMaking } from '../kind.ts'
import { waitingForPerson } from '../mark.ts'
import type { LongTextAnswer, LongTextQuestion } from './schema.ts'

/** How many words a text has: runs of anything but white space that hold a letter or a digit. */
export function countWords(text: string): number {
  return text.split(/\s+/u).filter((word) => /[\p{L}\p{N}]/u.test(word)).length
}

/** What simulated learners write: the beginning of an answer that somebody has to read. */
const DRAWN = [
  'I would look at both paddles first, and only then at the gate.',
  'The water comes from the pound above, so whoever opens too early wastes it.',
  'First the gates, then the paddles. I am not sure about the rest.',
]

export const longText: QuestionKind<LongTextQuestion, LongTextAnswer> = {
  graded: true,
  byPerson: true,
  mended: true,
  mark: waitingForPerson,
  fits: ({ wordsFrom, wordsTo }, { text }) => {
    const words = countWords(text)
    return words > 0 && words >= (wordsFrom ?? 0) && words <= (wordsTo ?? Infinity)
  },
  readable: (_question, { text }) => text,
  texts: ({ model }) => [model],
  media: () => [],
}

export const longTextMaking: QuestionMaking<LongTextQuestion, LongTextAnswer> = {
  blank: (base) => ({
    ...base,
    tries: 1,
    kind: 'longText',
    wordsFrom: null,
    wordsTo: null,
    model: '',
  }),
  findWhatCannotBeAsked: ({ wordsFrom, wordsTo }) =>
    wordsFrom !== null && wordsTo !== null && wordsFrom > wordsTo
      ? [issueAt('wordsTo', 'question.wordsReversed', 'More words are asked for than are allowed.')]
      : [],
  cut: ({ rubric: _, ...question }) => ({ ...question, model: '' }),
  draw({ wordsFrom, wordsTo }, _right, chance) {
    let text = oneOf(DRAWN, chance)
    while (countWords(text) < (wordsFrom ?? 0)) text += ` ${oneOf(DRAWN, chance)}`
    const words = text.split(' ').slice(0, wordsTo ?? Infinity)
    return { kind: 'longText', text: words.join(' ') }
  },
  model: ({ model }) => model,
  countsWords: true,
}
