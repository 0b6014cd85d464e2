// What a question for a short answer can do.
import { inOrder } from '../../fields/index.ts'
import { issueAt, mistakeOf, oneOf, type QuestionKind, type QuestionMaking } from '../kind.ts'
import { markOf } from '../mark.ts'
import { hasRepeats, ordersFor } from '../options.ts'
import { answerOf } from '../reading.ts'
import { findListed } from './judge.ts'
import { readPattern } from './pattern.ts'
import { withOtherWords } from './words.ts'
import type { ListedAnswer, ShortTextAnswer, ShortTextQuestion } from './schema.ts'

/** Texts longer than this are nobody's short answer, and are not compared, in characters. */
const LONGEST_COMPARED = 1000

export const listedInOrder = ({ listed }: Pick<ShortTextQuestion, 'listed'>): ListedAnswer[] =>
  inOrder(Object.values(listed))

/** The listed answer that an answer stands for; null for none of them, or for what is no answer. */
export function listedFor(question: ShortTextQuestion, answer: unknown): ListedAnswer | null {
  const text = answerOf(answer, 'shortText')?.text
  if (typeof text !== 'string' || text.length > LONGEST_COMPARED) return null
  return findListed(listedInOrder(question), text, question.rules)
}

export const shortText: QuestionKind<ShortTextQuestion, ShortTextAnswer> = {
  graded: true,
  byPerson: false,
  mended: true,
  mark(question, answer) {
    const found = listedFor(question, answer)
    const perPart = listedInOrder(question).map(({ id, share }) => ({
      id,
      picked: found?.id === id,
      right: share > 0,
    }))
    return markOf(question, found?.share ?? 0, perPart)
  },
  fits: () => true,
  readable: (_question, { text }) => text,
  texts: (question) => listedInOrder(question).map(({ text }) => text),
  media: () => [],
}

export const shortTextMaking: QuestionMaking<ShortTextQuestion, ShortTextAnswer> = {
  blank: (base, newId) => {
    const [id, order] = [newId(), ordersFor(1)[0]!]
    const first: ListedAnswer = { id, order, text: '', as: 'words', share: 1, feedback: '' }
    return {
      ...base,
      kind: 'shortText',
      listed: { [id]: first },
      rules: { minds: { case: false, accents: false }, typos: true },
    }
  },
  findWhatCannotBeAsked(question) {
    const listed = listedInOrder(question)
    if (listed.some(({ text }) => text.trim() === ''))
      return [issueAt('listed', 'question.emptyListed', 'A listed answer is empty.')]
    if (listed.some(({ as, text }) => as === 'pattern' && !readPattern(text).ok))
      return [issueAt('listed', 'question.badPattern', 'A pattern cannot be read.')]
    if (!listed.some(({ share }) => share === 1))
      return [issueAt('listed', 'question.noRight', 'No listed answer earns all the points.')]
    return hasRepeats(listed.map(({ text }) => text))
      ? [issueAt('listed', 'question.sameListed', 'Two listed answers are the same.')]
      : []
  },
  /** Of what is listed there stays what a told answer meant, in the learner's own words. */
  cut(question, { told }) {
    const meant = told.flatMap((answer, index) => {
      const listed = listedFor(question, answer)
      const words = { id: `told-${index}`, text: answer.text.slice(0, 200), as: 'words' as const }
      return listed ? [{ ...listed, ...words, share: 0 }] : []
    })
    const { others: _, ...rules } = question.rules
    return { ...question, rules, listed: Object.fromEntries(meant.map((one) => [one.id, one])) }
  },
  draw(question, right, chance) {
    const listed = listedInOrder(question).filter(({ as }) => as === 'words')
    const rights = listed.filter(({ share }) => share === 1)
    const wrongs = listed.filter(({ share }) => share === 0)
    const answers = (texts: string[]) =>
      texts.map((text): ShortTextAnswer => ({ kind: 'shortText', text }))
    if (right && rights.length > 0) return answers([oneOf(rights, chance).text])[0]!
    const wrong = wrongs.length > 0 ? [oneOf(wrongs, chance).text] : []
    return mistakeOf(answers([...wrong, 'no idea', '?', '-']), (answer) => {
      const found = listedFor(question, answer)
      return found !== null && found.share === 1
    })
  },
  harder: () => 0.6,
  slipsIn: ({ rules, listed }) =>
    rules.typos
      ? Object.values(listed)
          .filter(({ as, share }) => as === 'words' && share > 0)
          .map(({ text }) => text)
      : [],
  withOthers: withOtherWords,
}
