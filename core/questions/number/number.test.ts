import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { markQuestion, readNumber, readUnit, type NumberQuestion } from '../index.ts'
import { questionOf } from '../testing.ts'
import { converted, measureAlike } from './units.ts'

const asking = (value: number, change: Partial<NumberQuestion> = {}) =>
  questionOf('number', { value, ...change })
const verdict = (question: NumberQuestion, text: unknown) =>
  markQuestion(question, { kind: 'number', text }).verdict

describe('a number is read', () => {
  const table: [string, number[] | null, string?][] = [
    ['7', [7]],
    ['-7', [-7]],
    ['−7', [-7]],
    ['+7', [7]],
    ['- 7', [-7]],
    ['0.5', [0.5]],
    ['.5', [0.5]],
    [',5', [0.5]],
    ['1.', [1]],
    ['1,5', [1.5]],
    ['1 234,5', [1234.5]],
    ['1,234.5', [1234.5]],
    ['1.234,5', [1234.5]],
    ["1'234.5", [1234.5]],
    ['1’234', [1234]],
    ['1 234 567', [1234567]],
    ['1,234,567', [1234567]],
    ['1.234.567', [1234567]],
    ['1\u202f234', [1234]],
    ['1,234', [1.234, 1234]],
    ['1.234', [1.234, 1234]],
    ['12,34', [12.34]],
    ['1,23,4', null],
    ['1.2.3', null],
    ['1.2345e3', [1234.5]],
    ['1.2345E3', [1234.5]],
    ['1e-3', [0.001]],
    ['5e3', [5000]],
    ['1.2·10^3', [1200]],
    ['1.2 × 10^3', [1200]],
    ['1.2 x 10^-3', [0.0012]],
    ['1.2*10^3', [1200]],
    ['1.2·10³', [1200]],
    ['1.2·10⁻³', [0.0012]],
    ['3/4', [0.75]],
    ['1 3/4', [1.75]],
    ['-3/4', [-0.75]],
    ['3⁄4', [0.75]],
    ['½', [0.5]],
    ['3/0', null],
    ['１２', [12]],
    ['116.16 m³', [116.16], 'm^3'],
    ['116.16m3', [116.16], 'm3'],
    ['20 %', [20], '%'],
    ['12 boats', [12], 'boats'],
    ['', null],
    ['boat', null],
    ['m³', null],
    ['e3', null],
    ['about 7', [7]],
    ['9'.repeat(101), null],
    ['1e999', null],
    ['--7', null],
  ]
  it.each(table)('%s', (text, values, unit = '') => {
    const read = readNumber(text)
    expect(read && [...read.values].sort((a, b) => a - b)).toEqual(values)
    if (read) expect(read.unit).toBe(unit)
  })

  it.each([
    ['1,234', 'point', [1234]],
    ['1,234', 'comma', [1.234]],
    ['1.234', 'point', [1.234]],
    ['1.234', 'comma', [1234]],
    ['1,5', 'point', [1.5]],
    ['1.5', 'comma', [1.5]],
  ] as const)('%s where people write a %s', (text, decimals, values) => {
    expect(readNumber(text, decimals)?.values).toEqual(values)
  })
})

describe('a unit is read', () => {
  it.each([
    ['116.16', 'm³', 'L', 116160],
    ['1', 'm3', 'l', 1000],
    ['1', 'm^3', 'litres', 1000],
    ['1', 'cubic metres', 'dm³', 1000],
    ['1', 'hl', 'L', 100],
    ['1', 'mL', 'cm³', 1],
    ['1', 'km/h', 'm/s', 1 / 3.6],
    ['36', 'km/h', 'm/s', 10],
    ['1', 'kW h', 'MJ', 3.6],
    ['1', 'kW·h', 'J', 3.6e6],
    ['1', 'N m', 'J', 1],
    ['1', 'kg m^2/s^2', 'J', 1],
    ['1', 'bar', 'kPa', 100],
    ['1', 'ha', 'm²', 10_000],
    ['1', 't', 'kg', 1000],
    ['1', 'min', 's', 60],
    ['2', 'hours', 'min', 120],
    ['1', 'mi', 'km', 1.609344],
    ['1', 'ft', 'cm', 30.48],
    ['20', '°C', 'K', 293.15],
    ['68', '°F', '°C', 20],
    ['50', '%', '', 0.5],
    ['1', 'µm', 'mm', 0.001],
    ['1', 'μm', 'mm', 0.001],
    ['1', '1/s', 'Hz', 1],
    ['1', 'm^3/h', 'L/min', 1000 / 60],
    ['1', 'metres per second', 'km/h', 3.6],
  ])('%s %s in %s', (value, from, to, expected) => {
    const [a, b] = [readUnit(from)!, readUnit(to)!]
    expect(measureAlike(a, b)).toBe(true)
    expect(converted(Number(value), a, b)).toBeCloseTo(expected, 9)
  })

  it.each(['boats', 'm³³', 'm^', 'kkg', '5', 'm-', 'hasOwnProperty', '__proto__'])(
    '%s is none',
    (text) => expect(readUnit(text)).toBeNull(),
  )

  it.each([
    ['m', 's'],
    ['m²', 'm³'],
    ['J', 'W'],
  ])('%s and %s measure different things', (a, b) => {
    expect(measureAlike(readUnit(a)!, readUnit(b)!)).toBe(false)
  })
})

/** Rows of the table below, by what becomes of them. */
const rows = (
  name: string,
  question: NumberQuestion,
  texts: Partial<Record<'right' | 'partly' | 'wrong', string[]>>,
): [string, NumberQuestion, string, string][] =>
  Object.entries(texts).flatMap(([expected, all]) =>
    all.map((text): [string, NumberQuestion, string, string] => [name, question, text, expected]),
  )

describe('a number is marked', () => {
  const lockful = asking(116.16, { unit: 'm³', tolerance: { by: 'absolute', amount: 0.01 } })
  const bare = { ...lockful, unitNeeded: false }
  const third = asking(1 / 3, { tolerance: { by: 'figures', figures: 3 } })
  const share = asking(200, { tolerance: { by: 'relative', share: 0.05 } })
  const table: [string, NumberQuestion, string, string][] = [
    ['lockful', lockful, '116.16 m³', 'right'],
    ['lockful', lockful, '116,16 m3', 'right'],
    ['lockful', lockful, '116.16m^3', 'right'],
    ['lockful', lockful, '116.15 m³', 'right'],
    ['lockful', lockful, '116.17 m³', 'right'],
    ['lockful', lockful, '116.18 m³', 'wrong'],
    ['lockful', lockful, '116 160 L', 'right'],
    ['lockful', lockful, '116160 litres', 'right'],
    ['lockful', lockful, '1,1616e5 l', 'right'],
    ['lockful', lockful, '1161.6 hl', 'right'],
    ['lockful', lockful, '116.16 cubic metres', 'right'],
    ['lockful', lockful, '116.16', 'partly'],
    ['lockful', lockful, '116.16 L', 'partly'],
    ['lockful', lockful, '116.16 m²', 'partly'],
    ['lockful', lockful, '116.16 kg', 'partly'],
    ['lockful', lockful, '116.16 buckets', 'partly'],
    ['lockful', lockful, '116160', 'wrong'],
    ['lockful', lockful, '100 m³', 'wrong'],
    ['lockful', lockful, 'm³', 'wrong'],
    ['lockful', lockful, '', 'wrong'],
    ['no unit needed', bare, '116.16', 'right'],
    ['no unit needed', bare, '116.16 m³', 'right'],
    ['no unit needed', bare, '116.16 kg', 'partly'],
    ['figures', third, '0.333', 'right'],
    ['figures', third, '0.3333', 'right'],
    ['figures', third, '1/3', 'right'],
    ['figures', third, '0.33', 'wrong'],
    ['figures', third, '0.334', 'wrong'],
    ['figures', third, '3.33e-1', 'right'],
    ['figures', asking(1.005, { tolerance: { by: 'figures', figures: 3 } }), '1.01', 'right'],
    ['relative', share, '190', 'right'],
    ['relative', share, '210', 'right'],
    ['relative', share, '189', 'wrong'],
    ['relative', share, '-200', 'wrong'],
    ['exact', asking(0.3), '0.3', 'right'],
    ['exact', asking(0.1 + 0.2), '0.3', 'right'],
    ['exact', asking(0), '0', 'right'],
    ['exact', asking(0), '0.001', 'wrong'],
    ['exact', asking(-5), '-5', 'right'],
    ['exact', asking(-5), '5', 'wrong'],
    ['exact', asking(1234.5), '1 234,5', 'right'],
    ['exact', asking(1234.5), '1,234.5', 'right'],
    ['exact', asking(11), '11 locks', 'right'],
    ['exact', asking(11), '11 kg', 'partly'],
    ['own unit', asking(11, { unit: 'locks' }), '11 locks', 'right'],
    ['own unit', asking(11, { unit: 'locks' }), '11 Locks', 'right'],
    ['own unit', asking(11, { unit: 'locks' }), '11 boats', 'partly'],
    ['degrees', asking(20, { unit: '°C' }), '293.15 K', 'right'],
    ['degrees', asking(20, { unit: '°C' }), '20 °C', 'right'],
    ['degrees', asking(20, { unit: '°C' }), '20 K', 'partly'],
    ...rows('exact', asking(116.16), {
      right: [
        '116.16',
        '116,16',
        '116.160',
        '0116.16',
        '1.1616e2',
        '1.1616·10^2',
        '11616/100',
        'about 116.16',
      ],
      partly: ['116.16 ish'],
      wrong: ['116.2', '116', '-116.16', '1 16.16'],
    }),
    ...rows('large', asking(1e6), {
      right: [
        '1000000',
        '1 000 000',
        '1,000,000',
        '1.000.000',
        "1'000'000",
        '1e6',
        '10E5',
        '1 million',
      ],
      wrong: ['100000', '1,000,00'],
    }),
    ...rows('a share', asking(0.75), {
      right: ['3/4', '.75', '0,75', '75 %', '75%', '6/8', '750 ‰'],
      wrong: ['75', '1/4', '0.7'],
    }),
    ...rows('a percentage', asking(75, { unit: '%' }), {
      right: ['75 %', '750 ‰', '0.75', '3/4'],
      partly: ['75', '75 m'],
      wrong: ['7.5', '7.5 %'],
    }),
    ...rows('a speed', asking(3.6, { unit: 'km/h' }), {
      right: ['1 m/s', '3.6 km/h', '3,6 km/h', '60 m/min', '3.6 kph'],
      partly: ['3.6 m/s', '3.6'],
      wrong: ['1', '1 km/h'],
    }),
    ...rows('a length', asking(2.4, { unit: 'm' }), {
      right: [
        '240 cm',
        '2400 mm',
        '2.4 metres',
        '2.4 meter',
        '2,4 m',
        '24 dm',
        '0.0024 km',
        '2.4 M',
      ],
      partly: ['2.4', '2.4 s', '2.4 cm'],
      wrong: ['7.874 ft', '24 cm'],
    }),
    ...rows('a time', asking(90, { unit: 'min' }), {
      right: ['1.5 h', '5400 s', '90 minutes', '1 1/2 h', '1,5 hours'],
      partly: ['90 sec', '90'],
      wrong: ['1.5 min'],
    }),
    ...rows('below nothing', asking(-3, { unit: '°C' }), {
      right: ['-3 °C', '270.15 K', '26.6 °F', '−3°C', '-3,0 °C'],
      partly: ['-3 K'],
      wrong: ['3 °C'],
    }),
    ...rows('figures', asking(116.16, { tolerance: { by: 'figures', figures: 3 } }), {
      right: ['116', '116.2', '115.6', '1.16e2'],
      wrong: ['115.4', '117', '120'],
    }),
    ...rows('relative', asking(1000, { tolerance: { by: 'relative', share: 0.01 } }), {
      right: ['1010', '990', '1,005', '1.005e3'],
      wrong: ['1011', '989'],
    }),
    ...rows('absolute', asking(10, { tolerance: { by: 'absolute', amount: 0.5 } }), {
      right: ['9.5', '10.5', '19/2'],
      wrong: ['10.51', '9.49'],
    }),
  ]
  it.each(table)('%s: %o takes “%s” as %s', (_name, question, text, expected) => {
    expect(verdict(question, text)).toBe(expected)
  })

  it('earns the share that its question gives to a wrong unit', () => {
    const mark = (wrongUnitShare: number) =>
      markQuestion({ ...lockful, points: 4, wrongUnitShare }, { kind: 'number', text: '116.16 L' })
    expect([mark(0.5), mark(0)].map(({ points, verdict }) => [points, verdict])).toEqual([
      [2, 'partly'],
      [0, 'partly'],
    ])
  })
})

it('every way of writing a number is read back', () => {
  const value = fc.tuple(
    fc.integer({ min: -999_999, max: 999_999 }),
    fc.integer({ min: 0, max: 4 }),
  )
  const group = (digits: string, by: string) => digits.replace(/\B(?=(\d{3})+$)/g, by)
  fc.assert(
    fc.property(value, ([whole, places]) => {
      const number = whole / 10 ** places
      const [left, right = ''] = Math.abs(number).toString().split('.') as [string, string?]
      const sign = number < 0 ? '-' : ''
      for (const [by, decimal] of [
        ['', '.'],
        ['', ','],
        [' ', ','],
        [' ', '.'],
        ["'", '.'],
      ] as const) {
        const text = sign + group(left, by) + (right === '' ? '' : decimal + right)
        expect(readNumber(text)?.values).toContain(number)
      }
      expect(readNumber(number.toExponential())?.values).toContain(number)
    }),
    { seed: 8 },
  )
})
