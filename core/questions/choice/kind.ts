// What a choice question can do.
import { inOrder, isBlank, plainOf, type Issue } from '../../fields/index.ts'
import { issueAt, mistakeOf, oneOf, type QuestionKind, type QuestionMaking } from '../kind.ts'
import { hasRepeats, twoOrders, underNames } from '../options.ts'
import { shuffled } from '../../chance/index.ts'
import { mixOf } from '../mix.ts'
import { markChoice } from './mark.ts'
import type { ChoiceAnswer, ChoiceOption, ChoiceQuestion } from './schema.ts'

/** The options in the designer's order. */
export const optionsInOrder = ({ options }: Pick<ChoiceQuestion, 'options'>): ChoiceOption[] =>
  inOrder(Object.values(options))

/** The options as this learner finds them, and finds them again. */
export function optionsFor(question: ChoiceQuestion, seed: string): ChoiceOption[] {
  const options = optionsInOrder(question)
  return question.shuffle ? shuffled(options, mixOf(question, seed)) : options
}

export const choice: QuestionKind<ChoiceQuestion, ChoiceAnswer> = {
  graded: true,
  byPerson: false,
  mended: false,
  mark: markChoice,
  fits: (question, { picked }) => picked.every((id) => Object.hasOwn(question.options, id)),
  readable: (question, { picked }) =>
    optionsInOrder(question)
      .filter(({ id }) => picked.includes(id))
      .map(({ text }) => plainOf(text))
      .join('; '),
  texts: (question) => optionsInOrder(question).flatMap(({ text, feedback }) => [text, feedback]),
  media: () => [],
  chosen: ({ picked }) => picked,
}

export const choiceMaking: QuestionMaking<ChoiceQuestion, ChoiceAnswer> = {
  blank: (base, newId) => ({
    ...base,
    kind: 'choice',
    several: false,
    options: Object.fromEntries(
      twoOrders().map((order, index) => {
        const id = newId()
        return [id, { id, order, text: '', right: index === 0, feedback: '' }]
      }),
    ),
    credit: 'penalised',
  }),
  findWhatCannotBeAsked(question) {
    const options = optionsInOrder(question)
    const rights = options.filter(({ right }) => right).length
    const issues: Issue[] = []
    const add = (code: string, message: string) => issues.push(issueAt('options', code, message))
    if (options.length < 2) add('question.fewOptions', 'A choice needs at least two options.')
    if (options.some(({ text }) => isBlank(text)))
      add('question.emptyOption', 'An option has no text.')
    if (hasRepeats(options.map(({ text }) => text)))
      add('question.sameOptions', 'Two options have the same text.')
    if (rights === 0) add('question.noRight', 'No option is marked as right.')
    if (!question.several && rights > 1)
      add('question.manyRight', 'Several options are right, but only one may be picked.')
    return issues
  },
  cut(question, { nameOf, mix, told }) {
    const { shuffle: _, ...rest } = question
    const wereTold = new Set(told.flatMap(({ picked }) => picked))
    const options = underNames(optionsFor({ ...question, mix }, ''), nameOf, (option) => {
      const { text, right, feedback } = option
      return wereTold.has(option.id)
        ? { text, right, feedback }
        : { text, right: false, feedback: '' }
    })
    return { ...rest, options }
  },
  hiding: {
    ids: (question, mix) => optionsFor({ ...question, mix }, '').map(({ id }) => [id]),
    renamed: ({ kind, picked }, rename) => ({ kind, picked: picked.map(rename) }),
    inParts: true,
  },
  draw(question, right, chance) {
    const options = optionsInOrder(question)
    const rights = options.filter((option) => option.right).map(({ id }) => id)
    if (right) return { kind: 'choice', picked: rights }
    if (!question.several) {
      const wrongs = options.filter((option) => !option.right)
      return { kind: 'choice', picked: [oneOf(wrongs.length > 0 ? wrongs : options, chance).id] }
    }
    const some = options.filter(() => chance.next() < 0.55).map(({ id }) => id)
    const wrongs = options.filter((option) => !option.right).map(({ id }) => id)
    const mistakes = [some, some.filter((id) => id !== rights[0]), wrongs, rights.slice(1)]
      .filter((picked) => picked.length > 0)
      .map((picked): ChoiceAnswer => ({ kind: 'choice', picked }))
    return mistakeOf(mistakes, (answer) => {
      const { verdict, points, max } = markChoice(question, answer)
      return verdict === 'right' || (max > 0 && points >= max)
    })
  },
  // Who knows nothing still hits one option of so many.
  guessing: ({ several, options }) => (several ? 0 : 1 / Math.max(2, Object.keys(options).length)),
  harder: ({ several }) => (several ? 0.8 : 0),
  lines: ({ options }) => options,
  neverPartly: ({ several }) => !several,
  options: (question) =>
    optionsInOrder(question).map(({ id, right, text }) => ({ id, right, label: plainOf(text) })),
}
