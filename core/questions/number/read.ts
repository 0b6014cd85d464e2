// Reads a number as people write it: 1 234,5 · 1,234.5 · 1.2345e3 · 1,2345·10³ · 3/4 · 1 3/4 · 1.5 million, each with a unit
// behind it. More than one number is none, unless it is one quantity in several units (2 min 30 s) or a time (2:30).
import { MULTIPLIERS } from './numberWords.ts'
import { readSpokenNumber, readSpokenShare } from './spoken.ts'
import { tidy } from './tidy.ts'

export type Decimals = 'point' | 'comma' | 'either'

export interface ReadNumber {
  /** Every value that the writing may stand for; `1,234` may be two. Never empty. */
  values: number[]
  /** What stands behind it, trimmed; '' for nothing. */
  unit: string
}

/** Longer than any number that a person writes. */
const LONGEST = 100

/** The number in a text and its unit; null where there is none. Never throws. */
export function readNumber(text: string, decimals: Decimals = 'either'): ReadNumber | null {
  return text.length > LONGEST ? null : readTidy(tidy(text), decimals)
}

/** The same of what is tidied already. */
export function readTidy(plain: string, decimals: Decimals): ReadNumber | null {
  if (!BEGINS.test(plain)) return readSpoken(plain)
  const read = readWithShare(plain) ?? readFraction(plain) ?? readPlain(plain, decimals)
  return read && multiplied(read)
}

const BEGINS = /^[+-]?[\d.,]/

function readPlain(plain: string, decimals: Decimals): ReadNumber | null {
  // A French writer’s point before a power of ten.
  const parted = plain.replace(/(\d)\.10 ?\^/, '$1·10^')
  // Digits, and between two digits at the most one sign or space that may part them.
  const found = /^([+-]?)((?:\d(?:[ .,'](?=\d))?)+|[.,]\d+)\.?(.*)$/.exec(parted)
  if (!found) return null
  const [, sign, digits, rest] = found
  // A fraction that could not be read, such as one by nothing.
  if (rest!.trim().startsWith('/')) return null
  const power = readPower(rest!)
  const values = readDigits(digits!, decimals)
    .map((value) => powered(value, power))
    .map((value) => (sign === '-' ? -value : value))
    .filter(Number.isFinite)
  if (values.length === 0) return null
  return { values: [...new Set(values)], unit: power.rest.trim() }
}

interface Power {
  /** Of ten; null where there is none. */
  exponent: number | null
  /** The digits themselves are raised: 10^3. */
  raises: boolean
  rest: string
}

function powered(value: number, { exponent, raises }: Power): number {
  if (exponent === null) return value
  if (!raises) return scaled(value, exponent)
  return value === 10 ? Number(`1e${exponent}`) : value ** exponent
}

/** Read, not reckoned: 13 × 10⁻³ is the double nearest to 0.013. */
function scaled(value: number, exponent: number): number {
  const text = String(value)
  return text.includes('e') ? value * 10 ** exponent : Number(`${text}e${exponent}`)
}

/** `3/4` or `1 3/4`, with a unit behind it. */
function readFraction(plain: string): ReadNumber | null {
  const found = /^([+-]?)(?:(\d{1,9}) (?:and )?)?(\d{1,9}) ?\/ ?(\d{1,9})(?![\d.,])(.*)$/.exec(
    plain,
  )
  if (!found) return null
  const [, sign, whole, above, below, rest] = found
  if (Number(below) === 0) return null
  const value = Number(whole ?? 0) + Number(above) / Number(below)
  return { values: [sign === '-' ? -value : value], unit: rest!.trim() }
}

/** `e3`, `E-3`, `·10^3`, `x 10^-3`, `* 10 ^ 3`, or `^3` of the digits themselves, at the beginning of what follows them. */
function readPower(rest: string): Power {
  const times =
    /^ ?[eE]([+-]?\d{1,3})(?!\d)/.exec(rest) ??
    /^ ?[·xX*] ?10 ?\^ ?\(?([+-]?\d{1,3})\)?(?!\d)/.exec(rest)
  const found = times ?? /^ ?\^ ?\(?([+-]?\d{1,3})\)?(?!\d)/.exec(rest)
  if (!found) return { exponent: null, raises: false, rest }
  const exponent = Number(found[1])
  return { exponent, raises: times === null, rest: rest.slice(found[0].length) }
}

/** Digits parted by points, commas, spaces or apostrophes, in every reading that is sound. */
function readDigits(digits: string, decimals: Decimals): number[] {
  if (/^\d+$/.test(digits)) return [Number(digits)]
  const readings: number[] = []
  const add = (decimal: '.' | ',') => {
    const value = readWith(digits, decimal)
    if (value !== null) readings.push(value)
  }
  if (decimals !== 'comma') add('.')
  if (decimals !== 'point') add(',')
  // Where the usual sign makes no sense of it, the other one may: 1,5 among people who write points.
  if (readings.length === 0) add(decimals === 'comma' ? '.' : ',')
  return readings
}

/** Groups of three, the first of them one to three long; or as in India, of two and at last of three. */
const BY_THREE = /^\d{1,3}(?:[ .,']\d{3})+$/
const BY_TWO = /^\d{1,2}(?:,\d{2})+,\d{3}$/

/** Reads the digits with this sign before the decimal places; null where that makes no sense. */
function readWith(digits: string, decimal: '.' | ','): number | null {
  const pieces = digits.split(decimal)
  if (pieces.length > 2) return null
  const [whole, places = ''] = pieces as [string, string?]
  if (!/^\d*$/.test(places)) return null
  const group = decimal === '.' ? ',' : '.'
  const parted = [...new Set([...whole.replace(/\d/g, '')])]
  if (parted.length > 1 || (parted.length === 1 && ![group, ' ', "'"].includes(parted[0]!)))
    return null
  if (parted.length === 1 && !BY_THREE.test(whole) && !BY_TWO.test(whole)) return null
  const value = Number(`${whole.replace(/\D/g, '') || '0'}.${places || '0'}`)
  return Number.isFinite(value) ? value : null
}

export const isMultiplier = (word: string): boolean => MULTIPLIERS.has(word.toLowerCase())

/** `1.5 million`, and what stands behind it. */
function multiplied({ values, unit }: ReadNumber): ReadNumber {
  const found = /^([\p{L}.]+)(?: |$)(?:(?:of|de|d') ?)?(.*)$/u.exec(unit)
  const by = found && MULTIPLIERS.get(found[1]!.toLowerCase())
  if (!by) return { values, unit }
  const exponent = Math.log10(by)
  const times = (value: number) =>
    Number.isInteger(exponent) ? scaled(value, exponent) : value * by
  return { values: values.map(times), unit: found![2]!.trim() }
}

/** `twenty-one boats`, `minus seven`, `half a litre`. */
function readSpoken(plain: string): ReadNumber | null {
  const [, minus, words] = /^((?:minus|moins|menos) |-)?(.*)$/i.exec(plain)!
  const read = readSpokenNumber(words!)
  if (!read) return null
  return multiplied({ values: [minus ? -read.value : read.value], unit: read.rest })
}

/** `7 and a half`, `2 et un quart`. */
function readWithShare(plain: string): ReadNumber | null {
  const found = /^([+-]?)(\d{1,9}) ([^\d]+)$/.exec(plain)
  const share = found && readSpokenShare(found[3]!)
  if (!share) return null
  const value = Number(found[2]) + share.value
  return { values: [found[1] === '-' ? -value : value], unit: share.rest }
}
