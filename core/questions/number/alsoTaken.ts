// How the right number may be written besides: every rule of reading with an example made of the question itself. What the
// sheet shows is what marking takes, since each example is marked before it is shown.
import { judge } from './judge.ts'
import { ENGLISH } from './numberWords.ts'
import type { NumberQuestion } from './schema.ts'
import { readUnit } from './readUnit.ts'
import { converted, isSameUnit, measureAlike } from './units.ts'

/** What a rule is called, and an example for a value and its unit; null where the rule has nothing to say. */
interface Rule {
  name: string
  write(value: string, unit: string, question: NumberQuestion): string | null
}

const withUnit = (value: string, unit: string) => (unit === '' ? value : `${value} ${unit}`)

/** The value in another unit that measures the same thing. */
function inUnit(name: string): Rule['write'] {
  return (_text, own, { value }) => {
    const [from, to] = [own === '' ? null : readUnit(own), readUnit(name)]
    if (!from || !to || !measureAlike(from, to) || isSameUnit(from, to)) return null
    const there = Number(converted(value, from, to).toPrecision(12))
    return Math.abs(there) < 1e7 && Math.abs(there) >= 1e-3 ? `${there} ${name}` : null
  }
}

function asFraction(value: number): string | null {
  if (Number.isInteger(value) || Math.abs(value) > 1e4) return null
  for (let below = 2; below <= 16; below += 1) {
    const above = Math.round(Math.abs(value) * below)
    if (Math.abs(above / below - Math.abs(value)) > 1e-12) continue
    const whole = Math.floor(above / below)
    const sign = value < 0 ? '-' : ''
    return `${sign}${whole > 0 ? `${whole} ` : ''}${above - whole * below}/${below}`
  }
  return null
}

/** The usual units in words. */
const IN_WORDS: Record<string, string> = {
  'm³': 'cubic metres',
  'm²': 'square metres',
  m: 'metres',
  km: 'kilometres',
  kg: 'kilograms',
  g: 'grams',
  L: 'litres',
  s: 'seconds',
  min: 'minutes',
  h: 'hours',
  '%': 'percent',
  'km/h': 'kilometres per hour',
  'm/s': 'metres per second',
  '°C': 'degrees Celsius',
  J: 'joules',
  N: 'newtons',
  Pa: 'pascals',
  W: 'watts',
  K: 'kelvins',
}

const times = (value: number, ...units: [name: string, size: number][]): string => {
  let rest = value
  return units
    .map(([name, size], at) => {
      const isLast = at === units.length - 1
      const count = isLast ? Number(rest.toFixed(6)) : Math.floor(rest / size)
      rest -= count * size
      return `${count} ${name}`
    })
    .join(' ')
}

/** One quantity in several units: the value has to be at least one of the first and no whole number of them. */
function severally(unit: string, large: string, size: number, small = unit): Rule['write'] {
  return (_text, own, { value }) =>
    own === unit && value >= size && value % size !== 0
      ? times(value, [large, size], [small, 1])
      : null
}

/** The usual one of two spellings is listed first. */
const SPOKEN = new Map([...ENGLISH.adds].reverse().map(([word, value]) => [value, word]))
const RAISED: Record<string, string> = { '²': '2', '³': '3' }

/** Every way of writing that is read besides the plain one; the first that have something to say are shown. */
export const RULES: readonly Rule[] = [
  {
    name: 'unitInWords',
    write: (text, unit) => (Object.hasOwn(IN_WORDS, unit) ? `${text} ${IN_WORDS[unit]!}` : null),
  },
  {
    name: 'comma',
    write: (text, unit) => (text.includes('.') ? withUnit(text.replace('.', ','), unit) : null),
  },
  {
    name: 'groups',
    write: (text, unit) =>
      /^\d{4,}$/.test(text) ? withUnit(text.replace(/\B(?=(\d{3})+$)/g, ' '), unit) : null,
  },
  {
    name: 'fraction',
    write: (_text, unit, { value }) => {
      const half = asFraction(value)
      return half && withUnit(half, unit)
    },
  },
  {
    name: 'plainShare',
    write: (_text, unit, { value }) => (unit === '%' ? String(value / 100) : null),
  },
  {
    name: 'percent',
    write: (_text, unit, { value }) =>
      unit === '' && Math.abs(value) < 1 && value !== 0
        ? `${Number((value * 100).toPrecision(12))} %`
        : null,
  },
  {
    name: 'powerOfTen',
    write: (_text, unit, { value }) =>
      Math.abs(value) >= 1000 || (value !== 0 && Math.abs(value) < 0.01)
        ? withUnit(value.toExponential().replace(/e\+?/, '·10^'), unit)
        : null,
  },
  {
    name: 'barePower',
    write: (text, unit) => (/^10+$/.test(text) ? withUnit(`10^${text.length - 1}`, unit) : null),
  },
  {
    name: 'million',
    write: (_text, unit, { value }) =>
      Math.abs(value) >= 1e6 && Math.abs(value) < 1e9
        ? withUnit(`${value / 1e6} million`, unit)
        : null,
  },
  ...['L', 'm³', 'km', 'm', 'cm', 'kg', 'g', 's', 'min', 'h', 'm/s', 'km/h', 'K', '°F', '°C']
    .concat(['J', 'kWh', 'kPa', 'bar', 'm²', 'ha', 'in'])
    .map((name): Rule => ({ name: `in ${name}`, write: inUnit(name) })),
  { name: 'minutesAndSeconds', write: severally('s', 'min', 60) },
  { name: 'hoursAndMinutes', write: severally('min', 'h', 60) },
  { name: 'kilogramsAndGrams', write: severally('g', 'kg', 1000) },
  { name: 'feetAndInches', write: severally('in', 'ft', 12) },
  {
    name: 'clock',
    write: (_text, unit, { value }) =>
      unit === 's' && Number.isInteger(value) && value >= 60 && value < 6000
        ? `${Math.floor(value / 60)}:${String(value % 60).padStart(2, '0')}`
        : null,
  },
  { name: 'about', write: (text, unit) => `≈ ${withUnit(text, unit)}` },
  { name: 'named', write: (text, unit) => `x = ${withUnit(text, unit)}` },
  { name: 'unitInFront', write: (text, unit) => (unit === '' ? null : `${unit} ${text}`) },
  {
    name: 'powerWithoutRaising',
    write: (text, unit) =>
      /[²³]/.test(unit) ? `${text} ${unit.replace(/[²³]/g, (sign) => RAISED[sign]!)}` : null,
  },
  {
    name: 'negativePower',
    write: (text, unit) =>
      /^[^/()]+\/[^/()²³]+$/.test(unit) ? `${text} ${unit.replace('/', ' ')}^-1` : null,
  },
  {
    name: 'spoken',
    write: (_text, unit, { value }) =>
      SPOKEN.has(value) ? withUnit(SPOKEN.get(value)!, unit) : null,
  },
  {
    name: 'whatWasMeasured',
    write: (text, unit) => (unit === '' ? null : `${withUnit(text, unit)} in all`),
  },
  {
    name: 'otherDigits',
    write: (text, unit) =>
      /^\d+$/.test(text)
        ? withUnit(
            text.replace(/\d/g, (digit) => String.fromCharCode(0x660 + Number(digit))),
            unit,
          )
        : null,
  },
]

const MOST_SHOWN = 8

/** Other ways to write the right answer that are marked right, the plain one left out. */
export function alsoTaken(question: NumberQuestion): string[] {
  const text = String(question.value)
  const plain = withUnit(text, question.unit)
  const examples = RULES.flatMap((rule) => rule.write(text, question.unit, question) ?? [])
  const isTaken = (example: string) => {
    const { value, unit } = judge(question, example)
    return value && unit && example !== plain
  }
  return [...new Set(examples)].filter(isTaken).slice(0, MOST_SHOWN)
}
