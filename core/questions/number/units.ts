// Units: what they measure, and how many of the base units they are. SI (BIPM brochure, 9th edition) with the usual others
// beside it, and money. How they are written in words stands in unitWords.ts, how they are put together in readUnit.ts.

/** How often each base quantity is in it: m, kg, s, A, K, mol, cd, rad, bit, and five kinds of money. */
type Dimension = readonly number[]

export interface Unit {
  /** How many of the base units one of it is. */
  factor: number
  /** Added after multiplying: only degrees of temperature that stand alone have it. */
  offset: number
  dimension: Dimension
}

const D = (...powers: number[]): Dimension => Array.from({ length: 14 }, (_, at) => powers[at] ?? 0)
const NONE = D()
const LENGTH = D(1)
const AREA = D(2)
const VOLUME = D(3)
const MASS = D(0, 1)
const TIME = D(0, 0, 1)
const SPEED = D(1, 0, -1)
const FORCE = D(1, 1, -2)
const ENERGY = D(2, 1, -2)
const POWER = D(2, 1, -3)
const PRESSURE = D(-1, 1, -2)
const TEMPERATURE = D(0, 0, 0, 0, 1)
const ANGLE = D(0, 0, 0, 0, 0, 0, 0, 1)
const BITS = D(0, 0, 0, 0, 0, 0, 0, 0, 1)
const money = (kind: number): Dimension => D(...Array<number>(9 + kind).fill(0), 1)
const GRAVITY = 9.80665

type Known = readonly [factor: number, dimension: Dimension, prefixes?: boolean, offset?: number]

/** By how it is written. With `true`, SI prefixes may stand before it. */
export const UNITS: Readonly<Record<string, Known>> = {
  m: [1, LENGTH, true],
  g: [1e-3, MASS, true],
  s: [1, TIME, true],
  A: [1, D(0, 0, 0, 1), true],
  K: [1, TEMPERATURE, true],
  mol: [1, D(0, 0, 0, 0, 0, 1), true],
  cd: [1, D(0, 0, 0, 0, 0, 0, 1), true],
  rad: [1, ANGLE, true],
  Hz: [1, D(0, 0, -1), true],
  N: [1, FORCE, true],
  Pa: [1, PRESSURE, true],
  J: [1, ENERGY, true],
  W: [1, POWER, true],
  C: [1, D(0, 0, 1, 1), true],
  V: [1, D(2, 1, -3, -1), true],
  Ω: [1, D(2, 1, -3, -2), true],
  S: [1, D(-2, -1, 3, 2), true],
  F: [1, D(-2, -1, 4, 2), true],
  T: [1, D(0, 1, -2, -1), true],
  H: [1, D(2, 1, -2, -2), true],
  Wb: [1, D(2, 1, -2, -1), true],
  lm: [1, D(0, 0, 0, 0, 0, 0, 1), true],
  lx: [1, D(-2, 0, 0, 0, 0, 0, 1), true],
  Bq: [1, D(0, 0, -1), true],
  Gy: [1, D(2, 0, -2), true],
  Sv: [1, D(2, 0, -2), true],
  kat: [1, D(0, 0, -1, 0, 0, 1), true],
  M: [1000, D(-3, 0, 0, 0, 0, 1), true],
  L: [1e-3, VOLUME, true],
  l: [1e-3, VOLUME, true],
  t: [1000, MASS, true],
  u: [1.6605390666e-27, MASS],
  Da: [1.6605390666e-27, MASS, true],
  eV: [1.602176634e-19, ENERGY, true],
  Wh: [3600, ENERGY, true],
  Ws: [1, ENERGY, true],
  Nm: [1, ENERGY, true],
  Ah: [3600, D(0, 0, 1, 1), true],
  VA: [1, POWER, true],
  cal: [4.184, ENERGY, true],
  BTU: [1055.05585262, ENERGY],
  erg: [1e-7, ENERGY],
  bar: [1e5, PRESSURE, true],
  mb: [100, PRESSURE],
  atm: [101_325, PRESSURE],
  Torr: [101_325 / 760, PRESSURE],
  // By its definition it differs in the seventh place, which nobody means.
  mmHg: [101_325 / 760, PRESSURE],
  psi: [6894.757293168361, PRESSURE],
  kgf: [GRAVITY, FORCE],
  kp: [GRAVITY, FORCE],
  lbf: [4.4482216152605, FORCE],
  dyn: [1e-5, FORCE],
  min: [60, TIME],
  h: [3600, TIME],
  d: [86_400, TIME],
  wk: [604_800, TIME],
  yr: [31_557_600, TIME],
  ha: [1e4, AREA],
  are: [100, AREA],
  acre: [4046.8564224, AREA],
  '°': [Math.PI / 180, ANGLE],
  gon: [Math.PI / 200, ANGLE],
  arcmin: [Math.PI / 10_800, ANGLE],
  arcsec: [Math.PI / 648_000, ANGLE],
  rpm: [1 / 60, D(0, 0, -1)],
  bpm: [1 / 60, D(0, 0, -1)],
  '°C': [1, TEMPERATURE, false, 273.15],
  '°F': [5 / 9, TEMPERATURE, false, 459.67 * (5 / 9)],
  '%': [0.01, NONE],
  '‰': [0.001, NONE],
  ppm: [1e-6, NONE],
  ppb: [1e-9, NONE],
  hp: [745.699871582, POWER],
  PS: [735.49875, POWER],
  in: [0.0254, LENGTH],
  ft: [0.3048, LENGTH],
  '"': [0.0254, LENGTH],
  "'": [0.3048, LENGTH],
  yd: [0.9144, LENGTH],
  mi: [1609.344, LENGTH],
  nmi: [1852, LENGTH],
  ly: [9.4607304725808e15, LENGTH],
  au: [149_597_870_700, LENGTH],
  AU: [149_597_870_700, LENGTH],
  pc: [3.0856775814913672e16, LENGTH, true],
  Å: [1e-10, LENGTH],
  kn: [1852 / 3600, SPEED],
  mph: [0.44704, SPEED],
  kph: [1 / 3.6, SPEED],
  kmh: [1 / 3.6, SPEED],
  kmph: [1 / 3.6, SPEED],
  lb: [0.45359237, MASS],
  oz: [0.028349523125, MASS],
  st: [6.35029318, MASS],
  gal: [3.785411784e-3, VOLUME],
  cc: [1e-6, VOLUME],
  ccm: [1e-6, VOLUME],
  cbm: [1, VOLUME],
  qm: [1, AREA],
  sqm: [1, AREA],
  qkm: [1e6, AREA],
  bit: [1, BITS, true],
  B: [8, BITS, true],
  '€': [1, money(0)],
  EUR: [1, money(0)],
  $: [1, money(1)],
  US$: [1, money(1)],
  USD: [1, money(1)],
  '£': [1, money(2)],
  GBP: [1, money(2)],
  '¥': [1, money(3)],
  JPY: [1, money(3)],
  CHF: [1, money(4)],
}

export const PREFIXES: Readonly<Record<string, number>> = {
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

/** The unit of plain numbers. */
export const PLAIN_UNIT: Unit = { factor: 1, offset: 0, dimension: NONE }

/** The unit that is written just so, with or without an SI prefix; null where there is none. */
export function unitWritten(name: string): Unit | null {
  if (Object.hasOwn(UNITS, name)) {
    const [factor, dimension, , offset = 0] = UNITS[name]!
    return { factor, offset, dimension }
  }
  for (const length of [2, 1]) {
    const [prefix, rest] = [name.slice(0, length), name.slice(length)]
    if (!Object.hasOwn(PREFIXES, prefix) || !Object.hasOwn(UNITS, rest)) continue
    const [factor, dimension, prefixes] = UNITS[rest]!
    if (prefixes) return { factor: factor * PREFIXES[prefix]!, offset: 0, dimension }
  }
  return null
}

/** In a product, degrees of temperature are steps and no longer places on a scale. */
export const multiply = (a: Unit, b: Unit): Unit => ({
  factor: a.factor * b.factor,
  offset: 0,
  dimension: a.dimension.map((power, at) => power + b.dimension[at]!),
})

export const raise = (unit: Unit, power: number): Unit =>
  power === 1
    ? unit
    : {
        factor: unit.factor ** power,
        offset: 0,
        dimension: unit.dimension.map((each) => each * power),
      }

/** Whether two units measure the same thing. */
export function measureAlike(a: Unit, b: Unit): boolean {
  return a.dimension.every((power, at) => power === b.dimension[at])
}

export const isSameUnit = (a: Unit, b: Unit): boolean =>
  a.offset === b.offset &&
  Math.abs(a.factor - b.factor) <= 1e-12 * Math.abs(b.factor) &&
  measureAlike(a, b)

/** A value of one unit in another that measures the same thing. */
export function converted(value: number, from: Unit, to: Unit): number {
  return isSameUnit(from, to) ? value : (value * from.factor + from.offset - to.offset) / to.factor
}
