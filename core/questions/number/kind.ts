// What a question for a number can do.
import { assertNever } from '../../fields/index.ts'
import { issueAt, type QuestionKind } from '../kind.ts'
import { markOf } from '../mark.ts'
import { answerOf } from '../reading.ts'
import { readNumber } from './read.ts'
import type { NumberAnswer, NumberQuestion, Tolerance } from './schema.ts'
import { converted, measureAlike, readUnit } from './units.ts'

/** Reckoning with doubles, and converting units, is off by less than this share. */
const RECKONING_SHARE = 1e-9

/** Whether a value is as near to the right one as the tolerance asks. */
export function isNear(value: number, right: number, tolerance: Tolerance): boolean {
  const off = Math.abs(value - right)
  const slack = Math.max(Math.abs(right), Math.abs(value)) * RECKONING_SHARE
  switch (tolerance.by) {
    case 'absolute':
      return off <= tolerance.amount + slack
    case 'relative':
      return off <= Math.abs(right) * tolerance.share + slack
    case 'figures':
      return off <= slack || rounded(value, tolerance.figures) === rounded(right, tolerance.figures)
    default:
      return assertNever(tolerance)
  }
}

/** Half goes up, whatever the double nearest to it does: 1.005 to three figures is 1.01. */
const rounded = (value: number, figures: number) =>
  Number((value * (1 + RECKONING_SHARE / 1000)).toPrecision(figures))

interface Judged {
  value: boolean
  unit: boolean
}

/** The best reading of what was written: whether its value is right, and whether its unit is. */
function judge(question: NumberQuestion, text: string): Judged {
  const read = readNumber(text, question.decimals)
  if (!read) return { value: false, unit: false }
  const near = (value: number) => isNear(value, question.value, question.tolerance)
  const asWritten = read.values.some(near)
  const wanted = readUnit(question.unit)
  if (read.unit === '')
    return { value: asWritten, unit: question.unit === '' || !question.unitNeeded }
  const given = readUnit(read.unit)
  // A unit that nobody knows is compared as it is written.
  if (!wanted || !given) {
    const isSame = read.unit.toLowerCase() === question.unit.trim().toLowerCase()
    return { value: asWritten, unit: isSame }
  }
  if (!measureAlike(given, wanted)) return { value: asWritten, unit: false }
  if (read.values.some((value) => near(converted(value, given, wanted))))
    return { value: true, unit: true }
  // 116 litres where it is 116 cubic metres: the number is right, the unit is not.
  return { value: asWritten, unit: false }
}

/** Stands for the unit of a question that was cut. */
const UNSAID_UNIT = '…'

export const number: QuestionKind<NumberQuestion, NumberAnswer> = {
  graded: true,
  byPerson: false,
  mended: true,
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
  findWhatCannotBeAsked({ unit }) {
    if (unit === '') return []
    // A unit must not read as part of the number before it.
    const read = readNumber(`1 ${unit}`)
    return read?.values[0] === 1 && read.unit !== ''
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
  texts: () => [],
  media: () => [],
  draw(question, right, chance) {
    const { value, unit } = question
    const behind = unit === '' ? '' : ` ${unit}`
    if (right) return { kind: 'number', text: `${value}${behind}` }
    // People slip by a factor of ten, forget the unit, or reckon something else.
    const slip = chance.next()
    const wrong = slip < 0.4 ? value * 10 : slip < 0.7 ? value / 2 : value + 1
    return { kind: 'number', text: `${Number(wrong.toPrecision(6))}${behind}` }
  },
}
