// Reads a written unit: symbols or words, with powers (m3, m^3, m³, cubic metres), products (kW h, N·m), brackets and
// divisions (J/(g·K), J g^-1 K^-1).
import { remembered } from '../../fields/index.ts'
import { tidy } from './tidy.ts'
import { PHRASES, POWER_BEFORE, POWER_BEHIND, POWER_WITHIN, unitsOfWord } from './unitWords.ts'
import {
  isSameUnit,
  measureAlike,
  multiply,
  PLAIN_UNIT,
  PREFIXES,
  raise,
  unitWritten,
  UNITS,
  type Unit,
} from './units.ts'

/** Pieces of a written unit, at the most; and brackets in brackets. */
const MOST_FACTORS = 8
const MOST_DEPTH = 3

/** The unit that a text names; null where it names none. '' is the unit of plain numbers. Never throws. */
export const readUnit = (text: string): Unit | null => unitOf(tidy(text))

/** So many are remembered: a class writes the same few. */
const MOST_KEPT = 500

/** The same of what is tidied already. */
export const unitOf = remembered(MOST_KEPT, parse)

/** Without accents; what has a meaning of its own as a letter stays. */
const bareOf = (text: string) =>
  text
    .normalize('NFD')
    .replace(/(?<=[a-zA-Z])\p{M}+/gu, '')
    .normalize('NFC')

function parse(written: string): Unit | null {
  // A full stop behind an abbreviation.
  const plain = written.replace(/(?<=\p{L})\.$/u, '')
  if (plain === '') return PLAIN_UNIT
  return new Parser(plain, unitWritten).whole() ?? wordOf(plain)
}

function wordOf(plain: string): Unit | null {
  const words = PHRASES.reduce((now, [from, to]) => now.replace(from, to), bareOf(plain))
  return new Parser(words, namedInWords).whole()
}

/**
 * The readings of a unit that measure as `wanted` does: as it is written; as a word; and by letters that are large or small by
 * mistake, where they can mean nothing else that measures so.
 */
export function unitsLike(plain: string, wanted: Unit): Unit[] {
  const isAlike = (unit: Unit | null): unit is Unit => unit !== null && measureAlike(unit, wanted)
  const read = [unitOf(plain), plain.length > 3 ? wordOf(plain) : null].filter(isAlike)
  if (read.length > 0) return read
  if (plain.length > LONGEST_LOOSE) return []
  const loose = looseReadings(plain).filter(isAlike)
  return loose.every((unit) => isSameUnit(unit, loose[0]!)) ? loose.slice(0, 1) : []
}

/** Signs and letters by which people mean something else than the symbols do. */
const MEANT: Record<string, readonly string[]> = {
  c: ['°C'],
  f: ['°F'],
  m: ['min'],
  pound: ['£'],
  pounds: ['£'],
  "'": ['arcmin', 'min'],
  '"': ['arcsec', 's'],
}
/** Longer ones are read as they are written or not at all. */
const LONGEST_LOOSE = 24
/** So many ways of reading several names are tried. */
const MOST_WAYS = 64

/** Every reading with letters of either size; of several names, all ways to put theirs together. */
function looseReadings(plain: string): Unit[] {
  const low = plain.toLowerCase()
  const meant = Object.hasOwn(MEANT, low) ? MEANT[low]!.map((name) => unitWritten(name)!) : []
  return [...meant, ...caseReadings(plain), ...apartReadings(plain)]
}

/** Every way to read the names with letters of either size. */
function caseReadings(plain: string): Unit[] {
  const names = (tokensOf(plain) ?? []).flatMap(({ name }) => (name === undefined ? [] : [name]))
  let ways: Unit[][] = [[]]
  for (const name of names) {
    const readings = foldedReadings(name.toLowerCase())
    ways = ways.flatMap((way) => readings.map((unit) => [...way, unit]))
    if (ways.length === 0 || ways.length > MOST_WAYS) return []
  }
  return ways
    .map((way) => {
      let at = 0
      return new Parser(plain, () => way[at++] ?? null).whole()
    })
    .filter((unit) => unit !== null)
}

/** Symbols that were written together, as ms⁻² for m s⁻²: what is raised is the last of them. */
function apartReadings(plain: string): Unit[] {
  let texts = ['']
  let rest = plain
  for (const { name } of tokensOf(plain) ?? []) {
    if (name === undefined) continue
    const at = rest.indexOf(name)
    const before = rest.slice(0, at)
    rest = rest.slice(at + name.length)
    texts = texts.flatMap((text) => apart(name).map((one) => text + before + one))
    if (texts.length > MOST_WAYS) return []
  }
  return texts
    .map((text) => new Parser(text + rest, unitWritten).whole())
    .filter((unit) => unit !== null)
}

const LONGEST_APART = 7

/** A name in as many symbols as it can be made of, with a space between them; itself where it is one. */
function apart(name: string): string[] {
  if (name === '') return ['']
  const whole = unitWritten(name) ? [name] : []
  if (name.length > LONGEST_APART) return whole
  const parted: string[] = []
  for (let at = 1; at < name.length; at += 1)
    if (unitWritten(name.slice(0, at)))
      parted.push(...apart(name.slice(at)).map((rest) => `${name.slice(0, at)} ${rest}`))
  return [...whole, ...parted]
}

/** Every unit that would read so, if large and small letters were alike; molar is left out, since it would read as metre. */
function foldedReadings(low: string, name?: string): Unit[] {
  return writtenLike(low).flatMap((written) => {
    const unit = name !== undefined && raised(name, written) > 1 ? null : unitWritten(written)
    return unit ? [unit] : []
  })
}

/** The names of units that are written so, letters of either size. */
const writtenLike = remembered(MOST_KEPT, (low): string[] => {
  const found: string[] = []
  for (const [symbol, [, , prefixes]] of Object.entries(UNITS)) {
    if (symbol === 'M' || !low.endsWith(symbol.toLowerCase())) continue
    const before = low.slice(0, low.length - symbol.length)
    const spellings = before === '' ? [''] : prefixes ? prefixesLike(before) : []
    found.push(...spellings.map((prefix) => prefix + symbol))
  }
  return found
})

/** How many letters are small in the one and large in the other. */
const raised = (name: string, written: string): number =>
  [...written].filter((letter, at) => letter !== name[at] && letter !== letter.toLowerCase()).length

const prefixesLike = (low: string): string[] =>
  Object.keys(PREFIXES).filter((prefix) => prefix.toLowerCase() === low)

const TOKEN =
  /\s*(?:([()/])|\^ ?(?:\(([+-]?\d)\)|([+-]?\d)(?!\d))|([·*.-])|([^\s\d^()/·*.+-]+)(?:([+-]?\d)(?!\d))?|(1))\s*/y

interface Token {
  sign?: string
  power?: number
  name?: string
  one?: true
}

/** One pass over the pieces; everything it does not know makes the whole unreadable. */
class Parser {
  private readonly tokens: Token[] | null
  private at = 0
  private factors = 0
  private readonly nameOf: (name: string) => Unit | null

  constructor(text: string, nameOf: (name: string) => Unit | null) {
    this.nameOf = nameOf
    this.tokens = tokensOf(text)
  }

  private get words(): boolean {
    return this.nameOf === namedInWords
  }

  whole(): Unit | null {
    if (!this.tokens || this.tokens.length === 0) return null
    const unit = this.divided(0)
    return unit && this.at === this.tokens.length ? unit : null
  }

  private peek = (): Token | undefined => this.tokens![this.at]

  /** `a/b` and `a/b/c`; all that follows a stroke up to the next is below it. */
  private divided(depth: number): Unit | null {
    let unit = this.peek()?.one ? this.one() : this.product(depth)
    while (unit && this.peek()?.sign === '/') {
      this.at += 1
      const below = this.product(depth)
      unit = below && multiply(unit, raise(below, -1))
    }
    return unit
  }

  /** Only over a stroke: `1/s`. */
  private one(): Unit | null {
    this.at += 1
    return this.peek()?.sign === '/' ? PLAIN_UNIT : null
  }

  private product(depth: number): Unit | null {
    let unit: Unit | null = null
    for (let token = this.peek(); token; token = this.peek()) {
      if (token.sign === '/' || token.sign === ')') break
      if (token.sign !== undefined && token.sign !== '(') {
        // A sign of multiplying stands between two.
        this.at += 1
        if (!unit || !this.peek()) return null
        continue
      }
      const factor = this.factor(depth)
      if (!factor || (this.factors += 1) > MOST_FACTORS) return null
      unit = unit ? multiply(unit, factor) : factor
    }
    return unit
  }

  private factor(depth: number): Unit | null {
    const token = this.peek()!
    this.at += 1
    if (token.sign === '(') {
      if (depth >= MOST_DEPTH) return null
      const inner = this.divided(depth + 1)
      if (this.peek()?.sign !== ')') return null
      this.at += 1
      return inner && raise(inner, this.power() ?? 1)
    }
    if (token.name === undefined) return null
    const before = this.words ? powerIn(POWER_BEFORE, token.name) : null
    if (before !== null && token.power === undefined) {
      if (this.peek()?.sign === '.') this.at += 1
      const base = this.peek()?.name === undefined ? null : this.factor(depth)
      return base && raise(base, before)
    }
    const unit = this.nameOf(token.name)
    return unit && raise(unit, token.power ?? this.power() ?? this.powerBehind() ?? 1)
  }

  private power(): number | null {
    const token = this.peek()
    if (token?.power === undefined || token.name !== undefined) return null
    this.at += 1
    return token.power
  }

  private powerBehind(): number | null {
    const name = this.words ? this.peek()?.name : undefined
    const power = name === undefined ? null : powerIn(POWER_BEHIND, name)
    if (power !== null) this.at += 1
    return power
  }
}

function tokensOf(text: string): Token[] | null {
  const tokens: Token[] = []
  TOKEN.lastIndex = 0
  while (TOKEN.lastIndex < text.length) {
    const found = TOKEN.exec(text)
    if (!found) return null
    const [, bracket, inBrackets, bare, times, name, ownPower, one] = found
    const power = inBrackets ?? bare
    if (bracket ?? times) tokens.push({ sign: bracket ?? times! })
    else if (power !== undefined) tokens.push({ power: Number(power) })
    else if (one) tokens.push({ one: true })
    else
      tokens.push({ name: name!, ...(ownPower === undefined ? {} : { power: Number(ownPower) }) })
  }
  return tokens
}

const powerIn = (table: typeof POWER_BEFORE, name: string): number | null =>
  table.find(([word]) => word.test(name.toLowerCase()))?.[1] ?? null

/** A symbol, a word, or one with its power before it in one word; else a symbol whose letters have the wrong size. */
function namedInWords(name: string): Unit | null {
  const product = (units: string[]): Unit | null =>
    units.length === 0 ? null : units.map((one) => unitWritten(one)!).reduce(multiply)
  const written = unitWritten(name)
  // What is as long as a word is one, whatever symbols it could be made of: Grad, and no thousand million radians.
  if (written && name.length < 4) return written
  const word = product(unitsOfWord(name)) ?? written
  if (word) return word
  const low = name.toLowerCase()
  for (const [before, power] of POWER_WITHIN) {
    const inner = low.startsWith(before) ? product(unitsOfWord(low.slice(before.length))) : null
    if (inner) return raise(inner, power)
  }
  // More than one letter that should be large is another word.
  const folded = foldedReadings(low, name)
  const isOne = folded.length > 0 && folded.every((unit) => isSameUnit(unit, folded[0]!))
  return isOne ? folded[0]! : null
}
