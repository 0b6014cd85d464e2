// How the numbers with which a prompt was answered are spread.
import { mean, median } from '../statistics/index.ts'
import type { NumberRange } from './posts.ts'
import type { Thread } from './threads.ts'

export interface Spread {
  count: number
  /** Both null where nobody has given a number. */
  mean: number | null
  median: number | null
  /** From the smallest to the largest number asked for; `to` is within the last bar alone, or where it equals `from`. */
  bars: { from: number; to: number; count: number }[]
}

/** Up to so many whole numbers have a bar each. */
const MOST_SINGLE_BARS = 21
const WIDE_BARS = 10

/** Of each person the number that was said last. */
export function numbersOf({ head, replies }: Thread): number[] {
  if (head.sort !== 'prompt') return []
  const said = new Map<string, number>()
  for (const { author, number, id } of replies)
    if (number !== null) said.set(author?.id ?? id, number)
  return [...said.values()]
}

/** Numbers beyond the range, or that are none, are left out. */
export function spreadOf(numbers: readonly number[], { from, to }: NumberRange): Spread {
  const within = numbers.filter((number) => number >= from && number <= to)
  const isSingle = to - from < MOST_SINGLE_BARS
  const bars = isSingle ? to - from + 1 : WIDE_BARS
  const width = isSingle ? 1 : (to - from) / WIDE_BARS
  const counts = Array<number>(bars).fill(0)
  for (const number of within)
    counts[
      Math.min(bars - 1, isSingle ? Math.round(number - from) : Math.floor((number - from) / width))
    ]! += 1
  return {
    count: within.length,
    mean: mean(within),
    median: median(within),
    bars: counts.map((count, index) => ({
      from: from + index * width,
      to: isSingle ? from + index : from + (index + 1) * width,
      count,
    })),
  }
}
