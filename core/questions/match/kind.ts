// What a question of matching can do.
import { inOrder, isBlank, isSameText, plainOf, type RichText } from '../../fields/index.ts'
import { issueAt, oneOf, type QuestionKind, type QuestionMaking } from '../kind.ts'
import { markOf } from '../mark.ts'
import { hasRepeats, ordersFor, underNames } from '../options.ts'
import { answerOf, mapOfTexts } from '../reading.ts'
import { shuffled } from '../../chance/index.ts'
import { mixOf } from '../mix.ts'
import type { MatchAnswer, MatchPair, MatchQuestion } from './schema.ts'

const USUAL_PAIRS = 3

export const pairsInOrder = ({ pairs }: Pick<MatchQuestion, 'pairs'>): MatchPair[] =>
  inOrder(Object.values(pairs))

export interface MatchRight {
  id: string
  text: RichText
}

/** All that stands on the right, in the order in which this learner finds it; what reads the same stands there once. */
export function rightsMixed(question: MatchQuestion, seed: string): MatchRight[] {
  if (question.cut) return inOrder(Object.values(question.extras))
  return shuffled(
    alikeRights(question).map(([first]) => first!),
    mixOf(question, seed),
  )
}

/** What stands on the right, in the designer's order; what reads the same together. */
function alikeRights(question: MatchQuestion): MatchRight[][] {
  const all: MatchRight[] = [
    ...pairsInOrder(question).map(({ id, right }) => ({ id, text: right })),
    ...inOrder(Object.values(question.extras)),
  ]
  const firstLike = ({ text }: MatchRight) => all.find((other) => readsAlike(other.text, text))!
  return all
    .filter((right) => firstLike(right) === right)
    .map((first) => all.filter((right) => firstLike(right) === first))
}

const readsAlike = (a: RichText, b: RichText) => a === b || isSameText(a, b)

function rightText(question: MatchQuestion, id: string): RichText | null {
  if (Object.hasOwn(question.pairs, id)) return question.pairs[id]!.right
  return Object.hasOwn(question.extras, id) ? question.extras[id]!.text : null
}

export const match: QuestionKind<MatchQuestion, MatchAnswer> = {
  graded: true,
  byPerson: false,
  mended: true,
  /** Share of right pairs; wrong ones cost nothing. Two that read the same are both right. */
  mark(question, answer) {
    const matched = mapOfTexts(answerOf(answer, 'match')?.matched) ?? {}
    const perPart = pairsInOrder(question).map(({ id, right }) => {
      const given = Object.hasOwn(matched, id) ? rightText(question, matched[id]!) : null
      return { id, picked: given !== null, right: given !== null && readsAlike(given, right) }
    })
    const rights = perPart.filter((part) => part.right).length
    const share = perPart.length > 0 ? rights / perPart.length : 0
    return markOf(question, question.credit === 'partial' || share === 1 ? share : 0, perPart)
  },
  fits: (question, { matched }) =>
    Object.entries(matched).every(
      ([left, right]) => Object.hasOwn(question.pairs, left) && rightText(question, right) !== null,
    ),
  readable: (question, { matched }) =>
    pairsInOrder(question)
      .filter(({ id }) => Object.hasOwn(matched, id))
      .map(({ id, left }) => {
        const right = rightText(question, matched[id]!)
        return `${plainOf(left)} → ${right === null ? '?' : plainOf(right)}`
      })
      .join('; '),
  texts: (question) => [
    ...pairsInOrder(question).flatMap(({ left, right }) => [left, right]),
    ...Object.values(question.extras).map(({ text }) => text),
  ],
  media: () => [],
}

export const matchMaking: QuestionMaking<MatchQuestion, MatchAnswer> = {
  blank: (base, newId) => ({
    ...base,
    kind: 'match',
    pairs: Object.fromEntries(
      ordersFor(USUAL_PAIRS).map((order) => {
        const id = newId()
        return [id, { id, order, left: '', right: '' }]
      }),
    ),
    extras: {},
    credit: 'partial',
  }),
  findWhatCannotBeAsked(question) {
    const pairs = pairsInOrder(question)
    if (pairs.length < 2)
      return [issueAt('pairs', 'question.fewPairs', 'There are fewer than two pairs.')]
    const extras = Object.values(question.extras).map(({ text }) => text)
    if ([...pairs.flatMap(({ left, right }) => [left, right]), ...extras].some(isBlank))
      return [issueAt('pairs', 'question.emptyPair', 'A side of a pair has no text.')]
    if (hasRepeats(pairs.map(({ left }) => left)))
      return [issueAt('pairs', 'question.sameLefts', 'Two pairs have the same left side.')]
    const isRightToo = (extra: RichText) => pairs.some(({ right }) => readsAlike(right, extra))
    return extras.some(isRightToo)
      ? [issueAt('extras', 'question.extraIsRight', 'Something that fits nowhere fits a pair.')]
      : []
  },
  /** What stands on the right is told apart from the pairs: it lies among what fits nowhere. */
  cut(question, { nameOf, mix }) {
    const rights = rightsMixed({ ...question, mix }, '')
    const pairs = pairsInOrder(question).map((pair) => [pair.id, { ...pair, right: '' }] as const)
    return {
      ...question,
      pairs: Object.fromEntries(pairs),
      extras: underNames(rights, nameOf, ({ text }) => ({ text })),
    }
  },
  hiding: {
    ids: (question, mix) =>
      shuffled(alikeRights(question), mix).map((alike) => alike.map(({ id }) => id)),
    renamed: ({ kind, matched }, rename) => ({
      kind,
      matched: Object.fromEntries(
        Object.entries(matched).map(([left, right]) => [left, rename(right)]),
      ),
    }),
    inParts: false,
  },
  draw(question, right, chance) {
    const pairs = pairsInOrder(question)
    const matched = Object.fromEntries(pairs.map(({ id }) => [id, id]))
    if (right || pairs.length < 2) return { kind: 'match', matched }
    // Two are taken for each other; where they read alike on their right, others, or one is left out.
    const at = pairs.indexOf(oneOf(pairs, chance))
    const one = pairs[at]!
    const others = [...pairs.slice(at + 1), ...pairs.slice(0, at)]
    const other = others.find(({ right: text }) => !readsAlike(text, one.right))
    if (other)
      return { kind: 'match', matched: { ...matched, [one.id]: other.id, [other.id]: one.id } }
    const { [one.id]: _, ...rest } = matched
    return { kind: 'match', matched: rest }
  },
  harder: () => 0.4,
}
