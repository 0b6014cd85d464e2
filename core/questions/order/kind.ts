// What a question of order can do.
import { inOrder, isBlank, plainOf } from '../../fields/index.ts'
import { issueAt, type QuestionKind, type QuestionMaking } from '../kind.ts'
import { markOf } from '../mark.ts'
import { hasRepeats, ordersFor, underNames } from '../options.ts'
import { answerOf, listOfIds, ownOf } from '../reading.ts'
import { disarranged } from '../../chance/index.ts'
import { mixOf } from '../mix.ts'
import type { OrderAnswer, OrderItem, OrderQuestion } from './schema.ts'

const USUAL_ITEMS = 3

/** The things in the right order. */
export const itemsInOrder = ({ items }: Pick<OrderQuestion, 'items'>): OrderItem[] =>
  inOrder(Object.values(items))

/** The things as this learner finds them: never in the right order, and the same whenever they come back. */
export const itemsMixed = (question: OrderQuestion, seed: string): OrderItem[] =>
  question.cut ? itemsInOrder(question) : disarranged(itemsInOrder(question), mixOf(question, seed))

export const order: QuestionKind<OrderQuestion, OrderAnswer> = {
  graded: true,
  byPerson: false,
  mended: true,
  /** Share of adjacent pairs kept: of n things, n − 1 pairs follow each other as they should. */
  mark(question, answer) {
    const right = itemsInOrder(question).map(({ id }) => id)
    const given = listOfIds(answerOf(answer, 'order')?.ids)
    const isWhole =
      given !== null && given.length === right.length && right.every((id) => given.includes(id))
    const follows = (id: string, index: number) =>
      isWhole && (index === 0 || given[given.indexOf(id) - 1] === right[index - 1])
    const perPart = right.map((id, index) => ({
      id,
      picked: isWhole,
      right: index === 0 ? isWhole && given[0] === id : follows(id, index),
    }))
    if (!isWhole || right.length < 2) return markOf(question, isWhole ? 1 : 0, perPart)
    const kept = right.slice(1).filter((id, index) => follows(id, index + 1)).length
    const share = kept / (right.length - 1)
    return markOf(question, question.credit === 'partial' || share === 1 ? share : 0, perPart)
  },
  fits: (question, { ids }) =>
    new Set(ids).size === ids.length &&
    ids.length === Object.keys(question.items).length &&
    ids.every((id) => Object.hasOwn(question.items, id)),
  readable: (question, { ids }) =>
    ids
      .flatMap((id) => ownOf(question.items, id) ?? [])
      .map(({ text }, index) => `${index + 1}. ${plainOf(text)}`)
      .join('; '),
  texts: (question) => itemsInOrder(question).map(({ text }) => text),
  media: () => [],
}

export const orderMaking: QuestionMaking<OrderQuestion, OrderAnswer> = {
  blank: (base, newId) => ({
    ...base,
    kind: 'order',
    items: Object.fromEntries(
      ordersFor(USUAL_ITEMS).map((order) => {
        const id = newId()
        return [id, { id, order, text: '' }]
      }),
    ),
    credit: 'partial',
  }),
  findWhatCannotBeAsked(question) {
    const texts = Object.values(question.items).map(({ text }) => text)
    if (texts.length < 2)
      return [issueAt('items', 'question.fewItems', 'There are fewer than two things to order.')]
    if (texts.some(isBlank))
      return [issueAt('items', 'question.emptyItem', 'One of the things to order has no text.')]
    return hasRepeats(texts)
      ? [issueAt('items', 'question.sameItems', 'Two of the things to order have the same text.')]
      : []
  },
  cut(question, { nameOf, mix }) {
    const found = itemsMixed({ ...question, mix }, '')
    return { ...question, items: underNames(found, nameOf, ({ text }) => ({ text })) }
  },
  hiding: {
    ids: (question, mix) => itemsMixed({ ...question, mix }, '').map(({ id }) => [id]),
    renamed: ({ kind, ids }, rename) => ({ kind, ids: ids.map(rename) }),
    inParts: true,
  },
  draw(question, right, chance) {
    const ids = itemsInOrder(question).map(({ id }) => id)
    if (right || ids.length < 2) return { kind: 'order', ids }
    // Two neighbours change places: the mistake of somebody who nearly knows.
    const at = Math.floor(chance.next() * (ids.length - 1))
    ;[ids[at], ids[at + 1]] = [ids[at + 1]!, ids[at]!]
    return { kind: 'order', ids }
  },
  harder: () => 0.4,
  lines: ({ items }) => items,
}
