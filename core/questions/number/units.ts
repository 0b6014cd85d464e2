// Units: what they measure, and how many of the base units they are. SI (BIPM brochure, 9th edition) with the usual
// others beside it. Written with powers (m3, m^3, m³), products (kW h, N·m) and one division (m/s).

/** How often each base quantity is in it: m, kg, s, A, K, mol, cd, rad. */
type Dimension = readonly number[]

export interface Unit {
  /** How many of the base units one of it is. */
  factor: number
  /** Added after multiplying: only degrees of temperature that stand alone have it. */
  offset: number
  dimension: Dimension
}

const D = (...powers: number[]): Dimension => Array.from({ length: 8 }, (_, at) => powers[at] ?? 0)
const NONE = D()
const LENGTH = D(1)
const VOLUME = D(3)
const MASS = D(0, 1)
const TIME = D(0, 0, 1)
const ENERGY = D(2, 1, -2)
const POWER = D(2, 1, -3)
const PRESSURE = D(-1, 1, -2)

type Known = readonly [factor: number, dimension: Dimension, prefixes?: boolean, offset?: number]

/** By how it is written. With `true`, SI prefixes may stand before it. */
const UNITS: Record<string, Known> = {
  m: [1, LENGTH, true],
  g: [1e-3, MASS, true],
  s: [1, TIME, true],
  A: [1, D(0, 0, 0, 1), true],
  K: [1, D(0, 0, 0, 0, 1), true],
  mol: [1, D(0, 0, 0, 0, 0, 1), true],
  cd: [1, D(0, 0, 0, 0, 0, 0, 1), true],
  rad: [1, D(0, 0, 0, 0, 0, 0, 0, 1), true],
  Hz: [1, D(0, 0, -1), true],
  N: [1, D(1, 1, -2), true],
  Pa: [1, PRESSURE, true],
  J: [1, ENERGY, true],
  W: [1, POWER, true],
  C: [1, D(0, 0, 1, 1), true],
  V: [1, D(2, 1, -3, -1), true],
  Ω: [1, D(2, 1, -3, -2), true],
  ohm: [1, D(2, 1, -3, -2), true],
  F: [1, D(-2, -1, 4, 2), true],
  T: [1, D(0, 1, -2, -1), true],
  lm: [1, D(0, 0, 0, 0, 0, 0, 1), true],
  lx: [1, D(-2, 0, 0, 0, 0, 0, 1), true],
  L: [1e-3, VOLUME, true],
  l: [1e-3, VOLUME, true],
  t: [1000, MASS, true],
  eV: [1.602176634e-19, ENERGY, true],
  bar: [1e5, PRESSURE, true],
  cal: [4.184, ENERGY, true],
  min: [60, TIME],
  h: [3600, TIME],
  d: [86_400, TIME],
  ha: [1e4, D(2)],
  '°': [Math.PI / 180, D(0, 0, 0, 0, 0, 0, 0, 1)],
  '°C': [1, D(0, 0, 0, 0, 1), false, 273.15],
  '°F': [5 / 9, D(0, 0, 0, 0, 1), false, 459.67 * (5 / 9)],
  '%': [0.01, NONE],
  '‰': [0.001, NONE],
  atm: [101_325, PRESSURE],
  mmHg: [133.322387415, PRESSURE],
  hp: [745.699871582, POWER],
  PS: [735.49875, POWER],
  in: [0.0254, LENGTH],
  ft: [0.3048, LENGTH],
  yd: [0.9144, LENGTH],
  mi: [1609.344, LENGTH],
  kn: [1852 / 3600, D(1, 0, -1)],
  lb: [0.45359237, MASS],
  oz: [0.028349523125, MASS],
  gal: [3.785411784e-3, VOLUME],
  mph: [0.44704, D(1, 0, -1)],
}

/** Words that stand for a unit; plural forms are cut off. */
const WORDS: Record<string, string> = {
  metre: 'm',
  meter: 'm',
  kilometre: 'km',
  kilometer: 'km',
  centimetre: 'cm',
  centimeter: 'cm',
  millimetre: 'mm',
  millimeter: 'mm',
  gram: 'g',
  kilogram: 'kg',
  tonne: 't',
  second: 's',
  sec: 's',
  minute: 'min',
  hour: 'h',
  hr: 'h',
  day: 'd',
  litre: 'L',
  liter: 'L',
  millilitre: 'mL',
  milliliter: 'mL',
  newton: 'N',
  joule: 'J',
  watt: 'W',
  volt: 'V',
  ampere: 'A',
  kelvin: 'K',
  percent: '%',
  degree: '°',
  inch: 'in',
  foot: 'ft',
  feet: 'ft',
  yard: 'yd',
  mile: 'mi',
  pound: 'lb',
  ounce: 'oz',
  gallon: 'gal',
}

const PREFIXES: Record<string, number> = {
  Y: 1e24,
  Z: 1e21,
  E: 1e18,
  P: 1e15,
  T: 1e12,
  G: 1e9,
  M: 1e6,
  k: 1e3,
  h: 1e2,
  da: 10,
  d: 0.1,
  c: 1e-2,
  m: 1e-3,
  µ: 1e-6,
  u: 1e-6,
  n: 1e-9,
  p: 1e-12,
  f: 1e-15,
  a: 1e-18,
}

/** Pieces of a written unit, at the most. */
const MOST_FACTORS = 8

/** The unit that a text names; null where it names none. '' is the unit of plain numbers. Never throws. */
export function readUnit(text: string): Unit | null {
  const plain = text
    .replace(/²/g, '^2')
    .replace(/³/g, '^3')
    .normalize('NFKC')
    .replace(/μ/g, 'µ')
    .replace(/º/g, '°')
    .replace(/\b(cubic|square) ([a-z]+)/gi, (_all, power: string, word: string) =>
      power.toLowerCase() === 'cubic' ? `${word}^3` : `${word}^2`,
    )
    .replace(/\bper\b/gi, '/')
    .replace(/\b(cu|sq)\. ?([a-z]+)/gi, (_all, power: string, word: string) =>
      power.toLowerCase() === 'cu' ? `${word}^3` : `${word}^2`,
    )
    .trim()
  if (plain === '') return { factor: 1, offset: 0, dimension: NONE }
  const [above, below, ...more] = plain.split('/')
  if (more.length > 0) return null
  const top = above!.trim() === '1' ? readUnit('') : readProduct(above!)
  if (!top || below === undefined) return top
  const bottom = readProduct(below)
  return bottom ? divide(top, bottom) : null
}

function readProduct(text: string): Unit | null {
  const pieces = text
    .trim()
    .split(/[\s·⋅*.]+/)
    .filter((piece) => piece !== '')
  if (pieces.length === 0 || pieces.length > MOST_FACTORS) return null
  const units = pieces.map(readFactor)
  if (units.some((unit) => unit === null)) return null
  if (units.length === 1) return units[0]!
  return (units as Unit[]).reduce(multiply, { factor: 1, offset: 0, dimension: NONE })
}

function readFactor(text: string): Unit | null {
  const found = /^([^\d^()+-]+)(?:\^?\(?([+-]?\d)\)?)?$/.exec(text)
  if (!found) return null
  const unit = readName(found[1]!)
  const power = found[2] === undefined ? 1 : Number(found[2])
  if (!unit || power === 1) return unit
  return {
    factor: unit.factor ** power,
    offset: 0,
    dimension: unit.dimension.map((each) => each * power),
  }
}

function readName(name: string): Unit | null {
  const known = Object.hasOwn(UNITS, name) ? UNITS[name]! : null
  if (known) return { factor: known[0], offset: known[3] ?? 0, dimension: known[1] }
  for (const length of [2, 1]) {
    const [prefix, rest] = [name.slice(0, length), name.slice(length)]
    if (!Object.hasOwn(PREFIXES, prefix) || !Object.hasOwn(UNITS, rest)) continue
    const [factor, dimension, prefixes] = UNITS[rest]!
    if (prefixes) return { factor: factor * PREFIXES[prefix]!, offset: 0, dimension }
  }
  const word = name.toLowerCase()
  for (const one of [word, word.replace(/s$/, ''), word.replace(/es$/, '')])
    if (Object.hasOwn(WORDS, one)) return readName(WORDS[one]!)
  return null
}

/** In a product, degrees of temperature are steps and no longer places on a scale. */
const multiply = (a: Unit, b: Unit): Unit => ({
  factor: a.factor * b.factor,
  offset: 0,
  dimension: a.dimension.map((power, at) => power + b.dimension[at]!),
})

const divide = (a: Unit, b: Unit): Unit => ({
  factor: a.factor / b.factor,
  offset: 0,
  dimension: a.dimension.map((power, at) => power - b.dimension[at]!),
})

/** Whether two units measure the same thing. */
export function measureAlike(a: Unit, b: Unit): boolean {
  return a.dimension.every((power, at) => power === b.dimension[at])
}

/** A value of one unit in another that measures the same thing. */
export function converted(value: number, from: Unit, to: Unit): number {
  return (value * from.factor + from.offset - to.offset) / to.factor
}
