// What a poll can do. Nothing in it is marked.
import { inOrder, isBlank, plainOf } from '../../fields/index.ts'
import { oneOf, issueAt, type QuestionKind, type QuestionMaking } from '../kind.ts'
import { unjudged } from '../mark.ts'
import { hasRepeats, twoOrders } from '../options.ts'
import type { PollAnswer, PollQuestion } from './schema.ts'

export const poll: QuestionKind<PollQuestion, PollAnswer> = {
  graded: false,
  byPerson: false,
  mended: false,
  mark: unjudged,
  fits: (question, { picked }) =>
    picked.length > 0 &&
    picked.every((id) => Object.hasOwn(question.options, id)) &&
    new Set(picked).size === picked.length &&
    (question.several || picked.length === 1),
  readable: (question, { picked }) =>
    inOrder(Object.values(question.options))
      .filter(({ id }) => picked.includes(id))
      .map(({ text }) => plainOf(text))
      .join('; '),
  texts: (question) => Object.values(question.options).map(({ text }) => text),
  media: () => [],
  chosen: ({ picked }) => [...new Set(picked)],
}

export const pollMaking: QuestionMaking<PollQuestion, PollAnswer> = {
  blank: (base, newId) => ({
    ...base,
    points: 0,
    tries: 1,
    kind: 'poll',
    several: false,
    options: Object.fromEntries(
      twoOrders().map((order) => {
        const id = newId()
        return [id, { id, order, text: '', colour: null }]
      }),
    ),
    resultsFor: 'everyone',
  }),
  findWhatCannotBeAsked(question) {
    const texts = Object.values(question.options).map(({ text }) => text)
    if (texts.length < 2)
      return [issueAt('options', 'question.fewOptions', 'A poll needs at least two options.')]
    if (texts.some(isBlank))
      return [issueAt('options', 'question.emptyOption', 'An option has no text.')]
    return hasRepeats(texts)
      ? [issueAt('options', 'question.sameOptions', 'Two options have the same text.')]
      : []
  },
  cut: (question) => question,
  draw: (question, _right, chance) => ({
    kind: 'poll',
    picked: [oneOf(inOrder(Object.values(question.options)), chance).id],
  }),
  lines: ({ options }) => options,
  countables: ({ options }) =>
    inOrder(Object.values(options)).map(({ id, text, colour }) => ({
      id,
      label: plainOf(text),
      colour,
    })),
  showsTally: ({ resultsFor }) => resultsFor === 'everyone',
}
