// The scale of a drawn chronicle: where its ticks stand, and which items lie beside one another.
import { countedYear, dateOfDay, dayNumber, daysOf, namedYear, type Dated } from './dates.ts'

/** What a tick stands for, which says how it is written. */
export interface Tick {
  day: number
  unit: 'year' | 'month' | 'day'
}

/** Steps from one tick to the next, in days as they are on average, finest first. */
const YEAR_DAYS = 365.2425
const MONTH_STEPS = [1, 3, 6] as const
const DAY_STEPS = [1, 7] as const

type Step = { unit: Tick['unit']; count: number; days: number }

function steps(): Step[] {
  const all: Step[] = [
    ...DAY_STEPS.map((count): Step => ({ unit: 'day', count, days: count })),
    ...MONTH_STEPS.map((count): Step => ({ unit: 'month', count, days: (count * YEAR_DAYS) / 12 })),
  ]
  for (let power = 1; power <= 100_000; power *= 10)
    for (const digit of [1, 2, 5])
      all.push({ unit: 'year', count: digit * power, days: digit * power * YEAR_DAYS })
  return all
}
const STEPS = steps()

/** Ticks between two days (inclusive), as many as can be and no more than `most`. */
export function ticksBetween(fromDay: number, toDay: number, most: number): Tick[] {
  return ticksEvery((toDay - fromDay) / Math.max(1, most), fromDay, toDay)
}

/** Ticks between two days that stand at least `leastDays` apart, to within the unequal lengths of months and years. */
export function ticksEvery(leastDays: number, fromDay: number, toDay: number): Tick[] {
  const step = STEPS.find(({ days }) => days >= leastDays) ?? STEPS.at(-1)!
  const ticks: Tick[] = []
  for (let day = firstTick(step, fromDay); day <= toDay; day = nextTick(step, day))
    ticks.push({ day, unit: step.unit })
  return ticks
}

function firstTick({ unit, count }: Step, fromDay: number): number {
  // Weeks begin on a Monday; 5 January 1970 was one.
  if (unit === 'day') return count === 1 ? Math.ceil(fromDay) : Math.ceil((fromDay - 4) / 7) * 7 + 4
  const { year, month } = dateOfDay(fromDay)
  const counted = countedYear(year)
  const at =
    unit === 'month'
      ? monthDay(counted * 12 + Math.floor((month - 1) / count) * count)
      : yearDay(Math.floor(counted / count) * count)
  return at >= fromDay ? at : nextTick({ unit, count, days: 0 }, at)
}

function nextTick({ unit, count }: Step, day: number): number {
  if (unit === 'day') return day + count
  const { year, month } = dateOfDay(day)
  const counted = countedYear(year)
  return unit === 'month'
    ? monthDay(counted * 12 + month - 1 + count)
    : yearDay((Math.floor(counted / count) + 1) * count)
}

const yearDay = (counted: number) => dayNumber({ year: namedYear(counted) })
const monthDay = (months: number) =>
  dayNumber({ year: namedYear(Math.floor(months / 12)), month: (((months % 12) + 12) % 12) + 1 })

/** The days that items take together, with a little room at both ends; null without items. */
export function extentOf(items: readonly Dated[]): { fromDay: number; toDay: number } | null {
  if (items.length === 0) return null
  const spans = items.map(daysOf)
  const fromDay = spans.reduce((least, span) => Math.min(least, span.fromDay), Infinity)
  const toDay = spans.reduce((most, span) => Math.max(most, span.toDay), -Infinity)
  const room = Math.max(1, Math.ceil((toDay - fromDay) * 0.02))
  return { fromDay: fromDay - room, toDay: toDay + room }
}

/** Something that takes room from left to right. */
export interface Broad {
  id: string
  from: number
  to: number
}

/**
 * The lane of each thing, from 0, so that no two in one lane overlap: each takes the first that is free, in the order
 * given by where they begin.
 */
export function lanesOf(things: readonly Broad[], gap = 0): ReadonlyMap<string, number> {
  const ends: number[] = []
  const lanes = new Map<string, number>()
  for (const thing of [...things].sort((a, b) => a.from - b.from || a.to - b.to)) {
    const free = ends.findIndex((end) => end + gap <= thing.from)
    const lane = free < 0 ? ends.length : free
    ends[lane] = thing.to
    lanes.set(thing.id, lane)
  }
  return lanes
}
