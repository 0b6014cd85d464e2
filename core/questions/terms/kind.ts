// What term cards can do. They are right once every card is known, and never wrong.
import { inOrder, isBlank, plainOf } from '../../fields/index.ts'
import { issueAt, type QuestionKind, type QuestionMaking } from '../kind.ts'
import { tickedMark } from '../mark.ts'
import { hasRepeats, twoOrders } from '../options.ts'
import { answerOf, listOfIds } from '../reading.ts'
import type { TermCard, TermsAnswer, TermsQuestion } from './schema.ts'

/** The cards in the order in which they were written. */
export const cardsInOrder = ({ cards }: Pick<TermsQuestion, 'cards'>): TermCard[] =>
  inOrder(Object.values(cards))

export const terms: QuestionKind<TermsQuestion, TermsAnswer> = {
  graded: true,
  byPerson: false,
  selfJudged: true,
  mended: true,
  mark: (question, answer) =>
    tickedMark(
      question,
      Object.keys(question.cards),
      new Set(listOfIds(answerOf(answer, 'terms')?.known) ?? []),
    ),
  fits: (question, { known }) =>
    known.every((id) => Object.hasOwn(question.cards, id)) && new Set(known).size === known.length,
  readable: (question, { known }) =>
    cardsInOrder(question)
      .filter(({ id }) => known.includes(id))
      .map(({ term }) => plainOf(term))
      .join('; '),
  texts: (question) =>
    Object.values(question.cards).flatMap(({ term, meaning }) => [term, meaning]),
  media: () => [],
}

export const termsMaking: QuestionMaking<TermsQuestion, TermsAnswer> = {
  blank: (base, newId) => ({
    ...base,
    points: 0,
    tries: 0,
    keep: 'best',
    kind: 'terms',
    cards: Object.fromEntries(
      twoOrders().map((order) => {
        const id = newId()
        return [id, { id, order, term: '', meaning: '' }]
      }),
    ),
  }),
  findWhatCannotBeAsked(question) {
    const cards = Object.values(question.cards)
    if (cards.length < 2)
      return [issueAt('cards', 'question.fewOptions', 'Term cards need at least two cards.')]
    if (cards.some(({ term, meaning }) => isBlank(term) || isBlank(meaning)))
      return [issueAt('cards', 'question.emptyOption', 'A card has an empty side.')]
    return hasRepeats(cards.map(({ term }) => term)) || hasRepeats(cards.map((c) => c.meaning))
      ? [issueAt('cards', 'question.sameOptions', 'Two cards say the same.')]
      : []
  },
  cut: (question) => question,
  draw(question, right, chance) {
    const ids = cardsInOrder(question).map(({ id }) => id)
    return { kind: 'terms', known: right ? ids : ids.slice(1).filter(() => chance.next() < 0.6) }
  },
}
