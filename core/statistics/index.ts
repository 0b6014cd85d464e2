// The only door of core/statistics: figures about numbers, wherever something is counted or measured.

export const sum = (values: readonly number[]): number =>
  values.reduce((total, value) => total + value, 0)

/** Null of no values. */
export const mean = (values: readonly number[]): number | null =>
  values.length === 0 ? null : sum(values) / values.length

/** The variance of a sample, dividing by n − 1; null of fewer than two values. */
export function variance(values: readonly number[]): number | null {
  const middle = mean(values)
  if (middle === null || values.length < 2) return null
  return sum(values.map((value) => (value - middle) ** 2)) / (values.length - 1)
}

/** The value below which this share of the values lies, between neighbours in a straight line (Hyndman and Fan 1996, type 7). */
export function quantile(values: readonly number[], share: number): number | null {
  if (values.length === 0) return null
  const sorted = [...values].sort((a, b) => a - b)
  const place = (sorted.length - 1) * share
  const below = Math.floor(place)
  const above = Math.min(below + 1, sorted.length - 1)
  return sorted[below]! + (place - below) * (sorted[above]! - sorted[below]!)
}

export const median = (values: readonly number[]): number | null => quantile(values, 0.5)

/** Pearson's correlation; null where one of the two does not vary. */
export function correlation(first: readonly number[], second: readonly number[]): number | null {
  const [a, b] = [mean(first), mean(second)]
  if (a === null || b === null) return null
  const together = sum(first.map((value, index) => (value - a) * (second[index]! - b)))
  const spread = Math.sqrt(
    sum(first.map((value) => (value - a) ** 2)) * sum(second.map((value) => (value - b) ** 2)),
  )
  // What is left by rounding alone is no variation.
  return spread < 1e-12 ? null : Math.min(1, Math.max(-1, together / spread))
}

/** The share of a count, and how sure one may be of it. */
export interface Share {
  count: number
  of: number
}

/** Two-sided 95 %. */
const Z = 1.959963984540054

/** The interval of a share (Wilson 1927), both ends from 0 to 1; null of none. */
export function wilson({ count, of }: Share): { low: number; high: number } | null {
  if (of === 0) return null
  const p = count / of
  const middle = p + Z ** 2 / (2 * of)
  const reach = Z * Math.sqrt((p * (1 - p)) / of + Z ** 2 / (4 * of ** 2))
  const whole = 1 + Z ** 2 / of
  return { low: Math.max(0, (middle - reach) / whole), high: Math.min(1, (middle + reach) / whole) }
}

/** By how much the first share is above the second, with its interval from those of both (Newcombe 1998, method 10). */
export function shareDifference(
  first: Share,
  second: Share,
): { difference: number; low: number; high: number } | null {
  const [a, b] = [wilson(first), wilson(second)]
  if (!a || !b) return null
  const [p, q] = [first.count / first.of, second.count / second.of]
  return {
    difference: p - q,
    low: p - q - Math.hypot(p - a.low, b.high - q),
    high: p - q + Math.hypot(a.high - p, q - b.low),
  }
}
