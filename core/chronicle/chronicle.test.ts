import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  chronicleDateSchema,
  dateOfDay,
  dateWords,
  dayAfter,
  dayNumber,
  daysInMonth,
  daysOf,
  endsTooSoon,
  extentOf,
  inTimeOrder,
  lanesOf,
  ticksBetween,
  type ChronicleDate,
} from './index.ts'

const anyDay = fc.integer({ min: -30_000_000, max: 2_900_000 })
const utcDay = (year: number, month: number, day: number) => {
  const at = new Date(Date.UTC(2000, month - 1, day))
  at.setUTCFullYear(year, month - 1, day)
  return Math.round(at.getTime() / 86_400_000)
}

describe('days', () => {
  it('are counted as clocks count them, and before the turn of the eras without a year 0', () => {
    expect(dayNumber({ year: 1970 })).toBe(0)
    expect(dayNumber({ year: 2026, month: 11, day: 26 })).toBe(utcDay(2026, 11, 26))
    expect(dayNumber({ year: 1, month: 1, day: 1 })).toBe(utcDay(1, 1, 1))
    // 1 BCE is the year 0 of those who count through.
    expect(dayNumber({ year: -1, month: 12, day: 31 })).toBe(utcDay(0, 12, 31))
    expect(dayNumber({ year: 1 }) - dayNumber({ year: -1, month: 12, day: 31 })).toBe(1)
  })

  it('have one date each, and dates one day', () => {
    fc.assert(
      fc.property(anyDay, (day) => {
        const date = dateOfDay(day)
        expect(dayNumber(date)).toBe(day)
        expect(chronicleDateSchema.safeParse(date).success).toBe(true)
      }),
    )
  })

  it('follow one another through months and years', () => {
    fc.assert(
      fc.property(anyDay, (day) => {
        const { year, month, day: dayOfMonth } = dateOfDay(day)
        const next = dateOfDay(day + 1)
        const isLast = dayOfMonth === daysInMonth(year, month)
        expect(next.day).toBe(isLast ? 1 : dayOfMonth + 1)
        expect(dayAfter({ year, month, day: dayOfMonth })).toBe(day + 1)
      }),
    )
  })

  it('leap years are those of the Gregorian calendar, 1 BCE among them', () => {
    const leaps = [2000, 1996, -1, -5, 4].map((year) => daysInMonth(year, 2))
    const plain = [1900, 2019, -4, 1].map((year) => daysInMonth(year, 2))
    expect([...new Set(leaps)]).toEqual([29])
    expect([...new Set(plain)]).toEqual([28])
  })
})

describe('dates', () => {
  const isDate = (date: object) => chronicleDateSchema.safeParse(date).success

  it('name no year 0, no day that a month does not have, and no day without its month', () => {
    expect(isDate({ year: 1900, month: 2, day: 28 })).toBe(true)
    for (const bad of [
      { year: 0 },
      { year: 1900, month: 2, day: 29 },
      { year: 1900, day: 3 },
      { year: 1900, month: 13 },
      { year: 10_000 },
      { year: 1900, hour: 3 },
    ])
      expect(isDate(bad)).toBe(false)
  })

  const words = (date: ChronicleDate) => dateWords(date, 'en-GB', (said) => `${said} BCE`)
  it('are said as far as they go', () => {
    expect(words({ year: 1791 })).toBe('1791')
    expect(words({ year: 1797, month: 8 })).toBe('August 1797')
    expect(words({ year: 1797, month: 9, day: 4 })).toBe('4 September 1797')
    expect(words({ year: -44, month: 3, day: 15 })).toBe('15 March 44 BCE')
    expect(words({ year: -1, month: 2, day: 29 })).toBe('29 February 1 BCE')
    expect(words({ year: 33 })).toBe('33')
  })

  it('take as long as they leave open', () => {
    expect(daysOf({ from: { year: 1900 }, until: null })).toEqual({
      fromDay: dayNumber({ year: 1900 }),
      toDay: dayNumber({ year: 1901 }),
    })
    const may = { year: 1831, month: 5 }
    expect(daysOf({ from: may, until: may }).toDay - dayNumber(may)).toBe(31)
    expect(dayAfter({ year: -1 })).toBe(dayNumber({ year: 1 }))
  })

  it('that end before they begin are drawn by their beginning', () => {
    const wrong = { from: { year: 1900 }, until: { year: 1899, month: 12, day: 31 } }
    expect(endsTooSoon(wrong)).toBe(true)
    expect(daysOf(wrong)).toEqual(daysOf({ from: wrong.from, until: null }))
    expect(endsTooSoon({ from: { year: 1900, month: 6 }, until: { year: 1900 } })).toBe(false)
  })
})

it('what happened stands in the order of time; of what began together, the shorter first', () => {
  const item = (id: string, from: ChronicleDate, until: ChronicleDate | null = null) => ({
    id,
    order: id,
    from,
    until,
  })
  const items = [
    item('b', { year: 1800 }, { year: 1900 }),
    item('a', { year: 1800 }),
    item('c', { year: -300 }),
    item('d', { year: 1800 }),
  ]
  expect(inTimeOrder(items).map(({ id }) => id)).toEqual(['c', 'a', 'd', 'b'])
})

describe('ticks', () => {
  const labels = (from: ChronicleDate, to: ChronicleDate, most: number) =>
    ticksBetween(dayNumber(from), dayNumber(to), most).map(({ day, unit }) => {
      const { year, month, day: dayOfMonth } = dateOfDay(day)
      return unit === 'year'
        ? `${year}`
        : unit === 'month'
          ? `${year}-${month}`
          : `${month}/${dayOfMonth}`
    })

  it('stand at whole years, months or days, as there is room', () => {
    expect(labels({ year: 1791 }, { year: 2019 }, 6)).toEqual([
      '1800',
      '1850',
      '1900',
      '1950',
      '2000',
    ])
    expect(labels({ year: 1900 }, { year: 1901 }, 4)).toEqual([
      '1900-1',
      '1900-4',
      '1900-7',
      '1900-10',
      '1901-1',
    ])
    expect(labels({ year: 1900, month: 5, day: 1 }, { year: 1900, month: 5, day: 3 }, 4)).toEqual([
      '5/1',
      '5/2',
      '5/3',
    ])
  })

  it('go evenly over the turn of the eras', () => {
    // Counted through, 101 BCE is −100.
    expect(labels({ year: -210 }, { year: 210 }, 5)).toEqual(['-201', '-101', '-1', '100', '200'])
  })

  it('never stand much closer than they may, and all lie between', () => {
    fc.assert(
      fc.property(anyDay, fc.integer({ min: 1, max: 900_000 }), (fromDay, length) => {
        const ticks = ticksBetween(fromDay, fromDay + length, 10)
        expect(ticks.length).toBeLessThanOrEqual(13)
        const days = ticks.map(({ day }) => day)
        expect(days).toEqual([...new Set(days)].sort((a, b) => a - b))
        expect(days.every((day) => day >= fromDay && day <= fromDay + length)).toBe(true)
      }),
    )
  })
})

it('the extent leaves room at both ends, and there is none without items', () => {
  expect(extentOf([])).toBeNull()
  const { fromDay, toDay } = extentOf([{ from: { year: 1800 }, until: { year: 1899 } }])!
  expect(fromDay).toBeLessThan(dayNumber({ year: 1800 }))
  expect(toDay).toBeGreaterThan(dayNumber({ year: 1900 }))
})

describe('lanes', () => {
  const things = fc.array(
    fc.record({ from: fc.integer({ min: 0, max: 900 }), length: fc.integer({ min: 1, max: 200 }) }),
    { maxLength: 40 },
  )
  it('hold nothing that overlaps, and are no more than are needed at once', () => {
    fc.assert(
      fc.property(things, (made) => {
        const broad = made.map(({ from, length }, index) => ({
          id: `${index}`,
          from,
          to: from + length,
        }))
        const lanes = lanesOf(broad)
        for (const a of broad)
          for (const b of broad)
            if (a.id < b.id && lanes.get(a.id) === lanes.get(b.id))
              expect(a.to <= b.from || b.to <= a.from).toBe(true)
        const atOnce = broad.map(
          ({ from }) => broad.filter((b) => b.from <= from && from < b.to).length,
        )
        expect(Math.max(-1, ...lanes.values())).toBe(Math.max(0, ...atOnce) - 1)
      }),
    )
  })

  it('keep a gap where one is asked for', () => {
    const two = [
      { id: 'a', from: 0, to: 10 },
      { id: 'b', from: 12, to: 20 },
    ]
    expect([...lanesOf(two).values()]).toEqual([0, 0])
    expect([...lanesOf(two, 5).values()]).toEqual([0, 1])
  })
})
