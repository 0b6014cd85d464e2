// A figure in words: its middle and spread, in the units of the machine, beside its aim.
import type { Aim, Figure, Unit } from './figure.ts'
import { calibrated, middle, spread, verdictOf, type Verdict } from './judge.ts'
import type { Machine } from './machine.ts'

/** What is known of a figure once it is judged: kept, and told. */
export interface Judged extends Pick<
  Figure,
  'id' | 'what' | 'unit' | 'aim' | 'limit' | 'reference'
> {
  middle: number
  spread: number
  verdict: Verdict
  /** In the units of the machine; only of times. */
  inUnits: string
  isWork: boolean
}

const UNITS: Record<Unit, string> = {
  ms: ' ms',
  s: ' s',
  x: ' ×',
  kB: ' kB',
  MB: ' MB',
  '/s': ' a second',
  fps: ' frames a second',
  count: '',
  score: ' of 100',
  '%': ' %',
}

/** With as many digits as tell two figures apart: 0.27, 8.4, 33, 1,240. */
export function amount(value: number, unit: Unit): string {
  const digits = Math.abs(value) >= 20 || Number.isInteger(value) ? 0 : Math.abs(value) >= 3 ? 1 : 2
  return `${value.toLocaleString('en-GB', { maximumFractionDigits: digits, minimumFractionDigits: digits })}${UNITS[unit]}`
}

export const aimInWords = (aim: Aim, unit: Unit): string =>
  'most' in aim ? `at most ${amount(aim.most, unit)}` : `at least ${amount(aim.least, unit)}`

function inUnits(ms: number, { scriptMs, layoutMs, sqlMs }: Machine): string {
  const of = (unitMs: number) => (ms / unitMs).toPrecision(3)
  return `${of(scriptMs)} script, ${of(layoutMs)} layout, ${of(sqlMs)} SQL`
}

export function judge(figure: Figure, machine: Machine): Judged {
  const { id, what, unit, aim, limit, reference, isWork = false } = figure
  const rounds = calibrated(figure, machine.answersASecond)
  return {
    id,
    what,
    unit,
    aim,
    limit,
    reference,
    isWork,
    middle: middle(rounds),
    spread: spread(rounds),
    verdict: verdictOf(aim, rounds),
    inUnits: unit === 'ms' ? inUnits(middle(figure.rounds), machine) : '',
  }
}

/** Two or three lines for the terminal. */
export function told(figure: Figure, judged: Judged): string {
  const { unit, rounds, aim, limit, reference } = figure
  const here = `${amount(middle(rounds), unit)} (${rounds.map((one) => amount(one, unit).replace(UNITS[unit], '')).join(', ')})`
  const there = judged.isWork ? `; on the calibrated machine ${amount(judged.middle, unit)}` : ''
  const units = judged.inUnits ? `\n    = ${judged.inUnits}` : ''
  return `${judged.what} [${judged.id}]\n    ${here}${there}${units}\n    ${reference}; limit: ${limit}; aim: ${aimInWords(aim, unit)}: ${judged.verdict}`
}
