// Units against an independent package: what one is in the other has to agree.
import Qty from 'js-quantities'
import { expect, it } from 'vitest'
import { readUnit } from '../index.ts'
import { converted, measureAlike } from './units.ts'

/** What we write, and how the package calls it. */
const SAME: readonly (readonly [string, string])[] = [
  ...([
    'm',
    'km',
    'cm',
    'mm',
    'um',
    'nm',
    'g',
    'kg',
    'mg',
    's',
    'min',
    'h',
    'J',
    'kJ',
    'MJ',
  ] as const),
  ...([
    'N',
    'kN',
    'Pa',
    'kPa',
    'MPa',
    'hPa',
    'bar',
    'mbar',
    'atm',
    'psi',
    'torr',
    'W',
    'kW',
    'MW',
  ] as const),
  ...([
    'Hz',
    'kHz',
    'V',
    'mV',
    'A',
    'mA',
    'ohm',
    'F',
    'C',
    'T',
    'Wb',
    'H',
    'mol',
    'mmol',
    'cd',
    'rad',
  ] as const),
  ...([
    'in',
    'ft',
    'yd',
    'mi',
    'lb',
    'oz',
    'm/s',
    'km/h',
    'mph',
    'm^2',
    'm^3',
    'cm^3',
    'm/s^2',
  ] as const),
  ...([
    'kg/m^3',
    'g/cm^3',
    'N*m',
    'W*h',
    'kW*h',
    'deg',
    'acre',
    'mol/m^3',
    'l',
    'ml',
    'eV',
    'nmi',
  ] as const),
].map((unit) => [unit, unit] as const)
const NAMED: readonly (readonly [string, string])[] = [
  ['t', 'tonne'],
  ['d', 'day'],
  ['ha', 'hectare'],
  ['kWh', 'kW*h'],
  ['kn', 'kt'],
  ['BTU', 'Btu'],
  ['gon', 'gon'],
  ['light years', 'light-year'],
  ['J/(kg·K)', 'J/kg*degK'],
]

it('every unit is in every other what the package says', () => {
  const known = [...SAME, ...NAMED].flatMap(([ours, theirs]) => {
    try {
      return [{ ours, quantity: Qty(`1 ${theirs}`) }]
    } catch {
      return []
    }
  })
  expect(known.length).toBeGreaterThan(75)
  let compared = 0
  for (const one of known)
    for (const other of known) {
      const [a, b] = [readUnit(one.ours)!, readUnit(other.ours)!]
      if (!one.quantity.isCompatible(other.quantity) || !measureAlike(a, b)) continue
      const theirs = one.quantity.to(other.quantity.units()).scalar
      const ours = converted(1, a, b)
      if (Math.abs(ours / theirs - 1) > 2e-4)
        throw new Error(`${one.ours} in ${other.ours}: ${ours}, not ${theirs}`)
      compared += 1
    }
  expect(compared).toBeGreaterThan(300)
})

it.each([
  ['°C', 'tempC', '°F', 'tempF'],
  ['°C', 'tempC', 'K', 'tempK'],
  ['°F', 'tempF', 'K', 'tempK'],
])('%s (%s) in %s', (from, theirFrom, to, theirTo) => {
  for (const value of [-40, 0, 20, 36.6, 100, 451]) {
    const theirs = Qty(value, theirFrom).to(theirTo).scalar
    expect(converted(value, readUnit(from)!, readUnit(to)!)).toBeCloseTo(theirs, 6)
  }
})
