// What a recap can do.
import { inOrder, isBlank, plainOf, type RichText } from '../../fields/index.ts'
import { issueAt, type QuestionKind, type QuestionMaking } from '../kind.ts'
import { markOf } from '../mark.ts'
import { hasRepeats, ordersFor, underNames } from '../options.ts'
import { answerOf, listOfIds, ownOf } from '../reading.ts'
import { shuffled } from '../../chance/index.ts'
import { mixOf } from '../mix.ts'
import type { RecapAnswer, RecapQuestion, RecapSet, RecapStatement } from './schema.ts'

/** What the first and the second pick of a set are worth; later ones nothing (computation page, Marking). */
const WORTH = [1, 0.5]
const USUAL_SETS = 2

export const setsInOrder = ({ sets }: Pick<RecapQuestion, 'sets'>): RecapSet[] =>
  inOrder(Object.values(sets))

/** A set's statements as this learner finds them. */
export function statementsMixed(
  question: RecapQuestion,
  set: RecapSet,
  seed: string,
): RecapStatement[] {
  const all = inOrder(Object.values(set.statements))
  return question.cut ? all : shuffled(all, `${mixOf(question, seed)} ${set.id}`)
}

/** The true statement of a set; undefined where none is marked. */
export const trueStatement = ({ statements }: RecapSet) =>
  inOrder(Object.values(statements)).find(({ right }) => right)

/** Which pick of a set found the true statement, from 0; null where none did. */
export function foundAt(set: RecapSet, picks: readonly string[] | undefined): number | null {
  const index = (picks ?? []).findIndex((id) => ownOf(set.statements, id)?.right === true)
  return index < 0 ? null : index
}

/** The true statements that were found, in their order: the summary as far as it has come. */
export function summaryOf(question: RecapQuestion, picks: RecapAnswer['picks']): RichText[] {
  return setsInOrder(question)
    .filter((set) => foundAt(set, picks[set.id]) !== null)
    .flatMap((set) => trueStatement(set)?.text ?? [])
}

export function newRecapSet(order: string, newId: () => string): RecapSet {
  return { id: newId(), order, statements: recapStatements(['', ''], 0, newId) }
}

/** The statements of a set that has these texts, of which this one is true. */
export function recapStatements(
  texts: readonly string[],
  trueAt: number,
  newId: () => string,
): RecapSet['statements'] {
  const orders = ordersFor(texts.length)
  const statements = texts.map((text, index) => {
    const id = newId()
    return [id, { id, order: orders[index]!, text, right: index === trueAt }] as const
  })
  return Object.fromEntries(statements)
}

export const recap: QuestionKind<RecapQuestion, RecapAnswer> = {
  graded: true,
  byPerson: false,
  mended: false,
  mark(question, answer) {
    const picks = answerOf(answer, 'recap')?.picks
    const isMap = typeof picks === 'object' && picks !== null
    const perPart = setsInOrder(question).map((set) => {
      const given = isMap && Object.hasOwn(picks, set.id) ? listOfIds(picks[set.id as never]) : null
      const at = foundAt(set, given ?? [])
      return { id: set.id, picked: given !== null, right: at === 0, worth: WORTH[at ?? 9] ?? 0 }
    })
    const share = perPart.reduce((sum, { worth }) => sum + worth, 0) / Math.max(1, perPart.length)
    const parts = perPart.map(({ id, picked, right }) => ({ id, picked, right }))
    return markOf(question, share, parts)
  },
  /** Every set is worked on until its true statement is found; where that may not be told, one is picked of each. */
  fits: (question, { picks }) =>
    setsInOrder(question).every((set) =>
      question.cut ? picks[set.id]?.length === 1 : foundAt(set, picks[set.id]) !== null,
    ) &&
    Object.entries(picks).every(([setId, ids]) => {
      const set = Object.hasOwn(question.sets, setId) ? question.sets[setId]! : null
      const isKnown = (id: string) => set !== null && Object.hasOwn(set.statements, id)
      return set !== null && new Set(ids).size === ids.length && ids.every(isKnown)
    }),
  readable: (question, { picks }) =>
    setsInOrder(question)
      .flatMap((set) => {
        const texts = (ownOf(picks, set.id) ?? []).flatMap(
          (id) => ownOf(set.statements, id)?.text ?? [],
        )
        return texts.length > 0 ? [texts.map(plainOf).join(' → ')] : []
      })
      .join('; '),
  texts: (question) =>
    setsInOrder(question).flatMap(({ statements }) =>
      inOrder(Object.values(statements)).map(({ text }) => text),
    ),
  media: () => [],
  leaf: 'recap',
}

export const recapMaking: QuestionMaking<RecapQuestion, RecapAnswer> = {
  blank: (base, newId) => {
    const sets = ordersFor(USUAL_SETS).map((order) => newRecapSet(order, newId))
    return {
      ...base,
      tries: 1,
      kind: 'recap',
      sets: Object.fromEntries(sets.map((set) => [set.id, set])),
    }
  },
  findWhatCannotBeAsked(question) {
    const sets = setsInOrder(question).map(({ statements }) => Object.values(statements))
    if (sets.length === 0 || sets.some((set) => set.length < 2))
      return [issueAt('sets', 'question.fewStatements', 'A set needs at least two statements.')]
    if (sets.some((set) => set.some(({ text }) => isBlank(text))))
      return [issueAt('sets', 'question.emptyStatement', 'A statement has no text.')]
    if (sets.some((set) => set.filter(({ right }) => right).length !== 1))
      return [issueAt('sets', 'question.notOneTrue', 'In each set exactly one statement is true.')]
    return sets.some((set) => hasRepeats(set.map(({ text }) => text)))
      ? [issueAt('sets', 'question.sameStatements', 'Two statements of a set are the same.')]
      : []
  },
  cut(question, { nameOf, mix }) {
    const whole = { ...question, mix }
    const sets = setsInOrder(question).map((set) => {
      const statements = underNames(statementsMixed(whole, set, ''), nameOf, ({ text }) => ({
        text,
        right: false,
      }))
      return [set.id, { ...set, statements }] as const
    })
    return { ...question, sets: Object.fromEntries(sets) }
  },
  hiding: {
    ids: (question, mix) =>
      setsInOrder(question).flatMap((set) =>
        statementsMixed({ ...question, mix }, set, '').map(({ id }) => [id]),
      ),
    renamed: ({ kind, picks }, rename) => ({
      kind,
      picks: Object.fromEntries(
        Object.entries(picks).map(([setId, ids]) => [setId, ids.map(rename)]),
      ),
    }),
    inParts: false,
  },
  draw(question, right, chance) {
    const picks = setsInOrder(question).map((set, index) => {
      const all = inOrder(Object.values(set.statements))
      const truth = all.filter((one) => one.right).map(({ id }) => id)
      const wrong = all.filter((one) => !one.right).map(({ id }) => id)
      return [
        set.id,
        right || (index > 0 && chance.next() < 0.4) ? truth : [...wrong.slice(0, 1), ...truth],
      ]
    })
    return { kind: 'recap', picks: Object.fromEntries(picks) as RecapAnswer['picks'] }
  },
  harder: () => 0.3,
}
