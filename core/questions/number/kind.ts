// What a question for a number can do.
import { issueAt, mistakeOf, type QuestionKind, type QuestionMaking } from '../kind.ts'
import { markOf } from '../mark.ts'
import { answerOf } from '../reading.ts'
import { judge } from './judge.ts'
import type { NumberAnswer, NumberQuestion } from './schema.ts'

/** Stands for the unit of a question that was cut. */
const UNSAID_UNIT = '…'

export const number: QuestionKind<NumberQuestion, NumberAnswer> = {
  graded: true,
  byPerson: false,
  mended: true,
  /** A right value with a wrong unit is partly right, and earns its share of the points. */
  mark(question, answer) {
    const text = answerOf(answer, 'number')?.text
    const { value, unit } =
      typeof text === 'string' ? judge(question, text) : { value: false, unit: false }
    const perPart = [
      { id: 'value', picked: true, right: value },
      ...(question.unit === '' ? [] : [{ id: 'unit', picked: true, right: unit }]),
    ]
    if (!value || unit) return markOf(question, value ? 1 : 0, perPart)
    return { ...markOf(question, question.wrongUnitShare, perPart), verdict: 'partly' }
  },
  fits: () => true,
  readable: (_question, { text }) => text,
  texts: () => [],
  media: () => [],
}

export const numberMaking: QuestionMaking<NumberQuestion, NumberAnswer> = {
  blank: (base) => ({
    ...base,
    kind: 'number',
    value: 0,
    tolerance: { by: 'absolute', amount: 0 },
    unit: '',
    unitNeeded: true,
    wrongUnitShare: 0.5,
    decimals: 'either',
  }),
  findWhatCannotBeAsked(question) {
    if (question.unit === '') return []
    // A unit must not read as part of the number before it, nor so that nobody can meet it.
    const exact = { by: 'absolute', amount: 0 } as const
    const { value, unit } = judge({ ...question, value: 1, tolerance: exact }, `1 ${question.unit}`)
    return value && unit
      ? []
      : [issueAt('unit', 'question.unitUnreadable', 'The unit cannot be read.')]
  },
  /** That a unit is asked for stays; which one it is does not. */
  cut: (question) => ({
    ...question,
    value: 0,
    tolerance: { by: 'absolute', amount: 0 },
    unit: question.unit !== '' && question.unitNeeded ? UNSAID_UNIT : '',
    wrongUnitShare: 0,
  }),
  draw(question, right, chance) {
    const { value, unit } = question
    const behind = unit === '' ? '' : ` ${unit}`
    if (right) return { kind: 'number', text: `${value}${behind}` }
    // People slip by a factor of ten, forget the unit, or reckon something else.
    const slip = chance.next()
    const usual = slip < 0.4 ? value * 10 : slip < 0.7 ? value / 2 : value + 1
    const { tolerance } = question
    const beyond =
      value + 1 + 2 * (tolerance.by === 'absolute' ? tolerance.amount : Math.abs(value))
    const wrongs = [usual, value * 10, beyond, -beyond - 1].map((wrong): NumberAnswer => ({
      kind: 'number',
      text: `${Number(wrong.toPrecision(6))}${behind}`,
    }))
    return mistakeOf(wrongs, ({ text }) => judge(question, text).value)
  },
  harder: () => 0.8,
}
