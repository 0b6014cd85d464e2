// Reads a number as people write it: 1 234,5 · 1,234.5 · 1.2345e3 · 1,2345·10³ · 3/4 · 1 3/4, each with a unit behind it.

export type Decimals = 'point' | 'comma' | 'either'

export interface ReadNumber {
  /** Every value that the writing may stand for; `1,234` may be two. Never empty. */
  values: number[]
  /** What stands behind it, trimmed; '' for nothing. */
  unit: string
}

/** Longer than any number that a person writes. */
const LONGEST = 100
const SUPERSCRIPTS: Record<string, string> = Object.fromEntries(
  [...'⁰¹²³⁴⁵⁶⁷⁸⁹⁻⁺'].map((sign, index) => [sign, '0123456789-+'[index]!]),
)

/** The number in a text and its unit; null where there is none. Never throws. */
export function readNumber(text: string, decimals: Decimals = 'either'): ReadNumber | null {
  if (text.length > LONGEST) return null
  const plain = tidy(text)
  const fraction = readFraction(plain)
  if (fraction) return fraction
  // Digits, and between two digits at the most one sign or space that may part them.
  const found = /^([+-]?)((?:\d(?:[ .,'](?=\d))?)+|[.,]\d+)\.?(.*)$/.exec(plain)
  if (!found) return null
  const [, sign, digits, rest] = found
  // A fraction that could not be read, such as one by nothing.
  if (rest!.trim().startsWith('/')) return null
  const power = readPower(rest!)
  const values = readDigits(digits!, decimals)
    .map((value) => scaled(sign === '-' ? -value : value, power.exponent))
    .filter(Number.isFinite)
  if (values.length === 0) return null
  return { values: [...new Set(values)], unit: power.rest.trim() }
}

/** Read, not reckoned: 13 × 10⁻³ is the double nearest to 0.013. */
function scaled(value: number, exponent: number): number {
  const text = String(value)
  return text.includes('e') ? value * 10 ** exponent : Number(`${text}e${exponent}`)
}

/** One minus, one space, one apostrophe, digits of one script. Powers stay powers. */
function tidy(text: string): string {
  const powers = text.replace(/([⁰¹²³⁴⁵⁶⁷⁸⁹⁻⁺]+)/gu, (signs) =>
    [...signs]
      .map((sign) => SUPERSCRIPTS[sign])
      .join('')
      .replace(/^/, '^'),
  )
  return powers
    .normalize('NFKC')
    .replace(/[\u2212\u2012\u2013\u2010\u2011]/g, '-')
    .replace(/[\s\u00a0\u2009\u202f]+/g, ' ')
    .replace(/[’`´]/g, "'")
    .replace(/\u2044/g, '/')
    .trim()
    .replace(/^([+-]) /, '$1')
}

/** `3/4` or `1 3/4`, with a unit behind it. */
function readFraction(plain: string): ReadNumber | null {
  const found = /^([+-]?)(?:(\d{1,9}) )?(\d{1,9}) ?\/ ?(\d{1,9})(?![\d.,])(.*)$/.exec(plain)
  if (!found) return null
  const [, sign, whole, above, below, rest] = found
  if (Number(below) === 0) return null
  const value = Number(whole ?? 0) + Number(above) / Number(below)
  return { values: [sign === '-' ? -value : value], unit: rest!.trim() }
}

/** `e3`, `E-3`, `·10^3`, `x 10^-3`, `* 10 ^ 3` at the beginning of what follows the digits. */
function readPower(rest: string): { exponent: number; rest: string } {
  const found =
    /^ ?[eE]([+-]?\d{1,3})(?!\d)/.exec(rest) ??
    /^ ?[·⋅×x*] ?10 ?\^ ?\(?([+-]?\d{1,3})\)?(?!\d)/.exec(rest)
  if (!found) return { exponent: 0, rest }
  return { exponent: Number(found[1]), rest: rest.slice(found[0].length) }
}

/** Digits parted by points, commas, spaces or apostrophes, in every reading that is sound. */
function readDigits(digits: string, decimals: Decimals): number[] {
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
  // Parted into groups of three, the first of them one to three long.
  if (parted.length === 1 && !new RegExp(`^\\d{1,3}(\\${parted[0]}\\d{3})+$`).test(whole))
    return null
  const value = Number(`${whole.replace(/\D/g, '') || '0'}.${places || '0'}`)
  return Number.isFinite(value) ? value : null
}
