// Whether what was typed is the right value in the right unit: every sound reading of it is tried, and the best one counts.
import { assertNever, remembered } from '../../fields/index.ts'
import { isMultiplier, readTidy, type Decimals } from './read.ts'
import { unitOf, unitsLike } from './readUnit.ts'
import type { NumberQuestion, Tolerance } from './schema.ts'
import { tidy } from './tidy.ts'
import { converted, isSameUnit, measureAlike, PLAIN_UNIT, unitWritten, type Unit } from './units.ts'

/** Reckoning with doubles is off by less than this share; converting adds a few last places of what it passes through. */
const RECKONING_SHARE = 1e-9
const LAST_PLACES = 1e-14

/** Whether a value is as near to the right one as the tolerance asks; `spare` is what converting may have lost. */
export function isNear(value: number, right: number, tolerance: Tolerance, spare = 0): boolean {
  const off = Math.abs(value - right)
  const slack = Math.max(Math.abs(right), Math.abs(value)) * RECKONING_SHARE + spare
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

export interface Judged {
  value: boolean
  unit: boolean
}
const WRONG: Judged = { value: false, unit: false }

/** Longer than anything that answers such a question. */
const LONGEST = 120

const tidyUnit = remembered(500, tidy)

/** What is asked, prepared once for all readings. */
interface Asked {
  question: NumberQuestion
  own: string
  wanted: Unit | null
}

export function judge(question: NumberQuestion, text: string): Judged {
  if (text.length > LONGEST) return WRONG
  const plain = saidOnce(tidy(text), question.decimals)
  const own = tidyUnit(question.unit)
  const asked: Asked = { question, own, wanted: unitOf(own) }
  const read = judgePlain(asked, plain)
  if (read.value && read.unit) return read
  for (const other of [judgeInFront(asked, plain), judgeSeveral(asked, plain)])
    if (other && (other.value ? !read.value || other.unit : false)) return other
  return read
}

/** `7 (seven)` says one number twice. */
function saidOnce(plain: string, decimals: Decimals): string {
  const found = /^([^()]+) \(([^()]+)\)(.*)$/.exec(plain)
  if (!found) return plain
  const [first, second] = [found[1]!, found[2]!].map((one) => readTidy(one, decimals))
  const isSame =
    first?.unit === '' &&
    second?.unit === '' &&
    first.values.some((one) => second.values.includes(one))
  return isSame ? `${found[1]!}${found[3]!}` : plain
}

const isRight = (
  { question: { value, tolerance }, wanted }: Asked,
  given: number,
  unit: Unit | null,
): boolean => {
  if (!unit || !wanted || isSameUnit(unit, wanted)) return isNear(given, value, tolerance)
  const base = Math.abs(given * unit.factor) + Math.abs(unit.offset) + Math.abs(wanted.offset)
  const spare = (base * LAST_PLACES) / wanted.factor
  return isNear(converted(given, unit, wanted), value, tolerance, spare)
}

/** One number, and what stands behind it. */
function judgePlain(asked: Asked, plain: string): Judged {
  const read = readTidy(plain, asked.question.decimals)
  if (!read) return WRONG
  const value = read.values.some((one) => isRight(asked, one, null))
  if (read.unit === '') return judgeBare(asked, read.values, value)
  return judgeBehind(asked, read.values, value, read.unit)
}

/** Without a unit: it may not be needed, or a plain number may say the same, as 0.3 for 30 %. */
function judgeBare(asked: Asked, values: readonly number[], value: boolean): Judged {
  const { question, own, wanted } = asked
  if (own === '' || (value && !question.unitNeeded)) return { value, unit: own === '' || value }
  const isShare = wanted !== null && measureAlike(wanted, PLAIN_UNIT)
  if (isShare && values.some((one) => isRight(asked, one, PLAIN_UNIT)))
    return { value: true, unit: true }
  return { value, unit: !question.unitNeeded }
}

/** With something behind it: a unit, a unit and words, or words alone. More numbers make it no answer. */
function judgeBehind(
  asked: Asked,
  values: readonly number[],
  value: boolean,
  behind: string,
): Judged {
  const { own, wanted } = asked
  const by = own === '' ? THOUSANDS.get(behind) : undefined
  if (by)
    return judgeBare(
      asked,
      values,
      values.some((one) => isRight(asked, one * by, null)),
    )
  if (behind.split(' ').some((word) => ALTERNATIVES.has(word.toLowerCase()))) return WRONG
  const [unitText, isKnown] = unitAhead(asked, behind)
  if (unitText === null) return { value: value && !/\d/.test(behind), unit: false }
  if (!isKnown || !wanted) {
    const isOwn = wanted === null && isSameWord(unitText, own)
    // Who asks for no unit has nothing against the name of what was counted.
    return { value, unit: isOwn || (own === '' && !isKnown) }
  }
  const isMet = unitsLike(unitText, wanted).some((given) =>
    values.some((one) => isRight(asked, one, given)),
  )
  if (isMet) return { value: true, unit: true }
  // 116 litres where it is 116 cubic metres: the number is right, the unit is not.
  return { value, unit: false }
}

/** Letters for thousands and millions, where no unit is asked for: 1.5k. */
const THOUSANDS: ReadonlyMap<string, number> = new Map([
  ['k', 1e3],
  ['K', 1e3],
  ['M', 1e6],
])

/** The unit that a text begins with, and whether it is a known one; null where it is none and says something else. */
function unitAhead({ own, wanted }: Asked, behind: string): [string | null, boolean] {
  const known = (text: string) =>
    unitOf(text) !== null || (wanted !== null && own !== '' && unitsLike(text, wanted).length > 0)
  const isOwn = (text: string) => wanted === null && isSameWord(text, own)
  if (isOwn(behind)) return [behind, false]
  const words = behind.split(' ')
  if (words.length > MOST_BEHIND) return [null, false]
  if (own === '' && words.length > 1 && isDescription(words)) return [behind, false]
  if (known(behind)) return [behind, true]
  for (let count = words.length - 1; count > 0; count -= 1) {
    const ahead = words.slice(0, count).join(' ')
    // “m³ in all” ends with the unit before a word that is one as well.
    const endsSmall = count > 1 && SMALL_WORDS.has(words[count - 1]!.toLowerCase())
    if (endsSmall || !isDescription(words.slice(count))) continue
    if (isOwn(ahead)) return [ahead, false]
    if (known(ahead)) return [ahead, true]
  }
  return isDescription(words) ? [behind, false] : [null, false]
}

const isSameWord = (one: string, other: string): boolean =>
  other !== '' && singular(one) === singular(other)
const singular = (word: string) => word.toLowerCase().replace(/s$/, '')

const MOST_WORDS = 4
/** More words than these behind a number are no unit with its description. */
const MOST_BEHIND = 10
/** Words by which another answer is given beside the first. */
const ALTERNATIVES = new Set(
  'or and to not nor than less more either & vs oder und bis nicht ou et pas ni hasta menos weniger'.split(
    ' ',
  ),
)
/** Words after which a number means something else. */
const TURNS = new Set('per no minus plus times half double ish y o e a an'.split(' '))
/** Words that are units as well, and seldom mean them among others. */
const SMALL_WORDS = new Set('in at as all so'.split(' '))

/** Whether words only name what was measured: `water`, `of the lock`, `CO2`. */
const isDescription = (words: readonly string[]): boolean =>
  words.length > 0 &&
  words.length <= MOST_WORDS &&
  words.every(
    (word) =>
      /^(?:\p{L}[\p{L}'’-]+[.,;!]?|(?:[A-Z][a-z]?\d*){2,4})$/u.test(word) &&
      !TURNS.has(word.toLowerCase()) &&
      !isMultiplier(word) &&
      (SMALL_WORDS.has(word.toLowerCase()) || unitOf(word) === null),
  )

/** `€12`, `EUR 12`, `m³ 100`: the unit stands in front. */
function judgeInFront(asked: Asked, plain: string): Judged | null {
  const found =
    /^([+-]?)(\p{Sc}|[A-Z]{1,3}\p{Sc}|[A-Z]{3})( ?)(\d.*)$/u.exec(plain) ??
    /^()(\S+)( )([+-]?[\d.,].*)$/.exec(plain)
  if (!found) return null
  const [, sign, unit, , number] = found
  if (/^[\d.,+-]/.test(unit!)) return null
  const isUnit = unitOf(unit!) !== null || isSameWord(unit!, asked.own)
  return isUnit ? judgePlain(asked, `${sign}${number} ${unit}`) : null
}

/** One quantity in several units, or a time as clocks show it. */
function judgeSeveral(asked: Asked, plain: string): Judged | null {
  const { wanted, question } = asked
  if (!wanted || asked.own === '') return null
  const sums = [...clockTimes(plain, wanted), ...termSums(plain, wanted, question.decimals)]
  if (sums.length === 0) return null
  const isFound = sums.some((base) => isRight(asked, base / wanted.factor, null))
  return { value: isFound, unit: isFound }
}

const named = (name: string) => unitWritten(name)!
const [SECOND, MINUTE, HOUR] = ['s', 'min', 'h'].map(named) as [Unit, Unit, Unit]

/** `2:30` is minutes and seconds, or hours and minutes; `1:02:30` all three. In seconds; as many as can be meant. */
function clockTimes(plain: string, wanted: Unit): number[] {
  const found =
    /^(\d{1,4}):([0-5]?\d)(?::([0-5]?\d(?:[.,]\d+)?))?(?: ?(?:h|hrs?|min|mins|m))?$/.exec(plain)
  if (!found || !measureAlike(wanted, SECOND)) return []
  const [first, second] = [Number(found[1]), Number(found[2])]
  if (found[3] !== undefined)
    return [first * 3600 + second * 60 + Number(found[3].replace(',', '.'))]
  // Seconds are no part of hours and minutes, nor hours of minutes and seconds.
  const [inMinutes, inHours] = [first * 60 + second, first * 3600 + second * 60]
  if (isSameUnit(wanted, HOUR)) return [inHours]
  return isSameUnit(wanted, MINUTE) ? [inMinutes, inHours] : [inMinutes]
}

/** Each unit smaller than the one before it: `2 min 30 s`, `5 ft 3 in`, `1 h 30`. In base units. */
function termSums(plain: string, wanted: Unit, decimals: Decimals): number[] {
  const joined = plain.replace(/(?<=[^\d\s]),? (?:(?:and|und|et|y) )?(?=\d)/g, ' ')
  const pieces = [...joined.matchAll(/([+-]?\d+(?:[.,]\d+)?) ?([^\d\s+-][^\d\s]*|$) ?/g)]
  const whole = pieces.map(([text]) => text).join('')
  if (pieces.length < 2 || whole !== joined) return []
  let before: Unit | null = null
  let sum = 0
  for (const [at, [, digits, name]] of pieces.entries()) {
    const unit: Unit | null = name === '' ? unitBelow(before) : unitInTerms(name!, wanted)
    const value = readTidy(digits!, decimals)?.values[0]
    const isSmaller = before === null || (unit !== null && unit.factor < before.factor * 0.999)
    if (!unit || value === undefined || !measureAlike(unit, wanted) || !isSmaller) return []
    if (unit.offset !== 0 || (at > 0 && /^[+-]/.test(digits!))) return []
    sum += (digits!.startsWith('-') ? Math.abs(value) : value) * unit.factor
    before = unit
  }
  return [plain.startsWith('-') ? -sum : sum]
}

/** Feet and inches, or minutes and seconds of a circle, have signs of their own. */
function unitInTerms(name: string, wanted: Unit): Unit | null {
  const [first, second] = measureAlike(wanted, named('°'))
    ? ['arcmin', 'arcsec']
    : measureAlike(wanted, SECOND)
      ? ['min', 's']
      : ['ft', 'in']
  if (name === "'") return named(first!)
  if (name === '"' || name === "''") return named(second!)
  return unitsLike(name, wanted)[0] ?? null
}

/** What stands without a unit behind hours is minutes, behind minutes seconds, behind feet inches. */
function unitBelow(before: Unit | null): Unit | null {
  if (!before) return null
  if (isSameUnit(before, HOUR)) return MINUTE
  if (isSameUnit(before, MINUTE)) return SECOND
  return isSameUnit(before, named('ft')) ? named('in') : null
}
