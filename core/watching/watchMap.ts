// What a class watched of a film, learner by learner, and where they left it.
import { furthestMs, counts, type Span } from './spans.ts'

/**
 * By bin, as one letter each: `0` skipped, `1` seen, `2` seen again. A bin is what its middle is. `spans` and `again` are
 * unions: what was watched at all, and more than once.
 */
export function cellsOf(
  spans: readonly Span[],
  again: readonly Span[],
  durationMs: number,
  binMs: number,
): string {
  const twice = counts(again, durationMs, binMs)
  return counts(spans, durationMs, binMs)
    .map((seen, bin) => (twice[bin]! > 0 ? '2' : seen > 0 ? '1' : '0'))
    .join('')
}

/** Whoever came this far has seen the film to its end: titles and silence are often left out. */
const END_SHARE = 0.97
/** The stretch that is looked for is as long as this, or a tenth of a short film. */
const LEAVING_MS = 30_000

export interface Leaving extends Span {
  /** How many have their furthest point in it. */
  count: number
  /** How many watched anything of the film. */
  of: number
}

/**
 * The half minute in which most left, that is, have their furthest point; the earliest of equals. Null where fewer than
 * two left in any. O(n log n).
 */
export function largestLeaving(
  spansPerLearner: readonly (readonly Span[])[],
  durationMs: number,
): Leaving | null {
  const ends = spansPerLearner.map(furthestMs).filter((ms) => ms > 0)
  const left = ends.filter((ms) => ms < durationMs * END_SHARE).sort((a, b) => a - b)
  const withinMs = Math.min(LEAVING_MS, durationMs / 10)
  let best: Leaving | null = null
  let first = 0
  for (const [last, end] of left.entries()) {
    while (end - left[first]! > withinMs) first += 1
    const count = last - first + 1
    if (count >= 2 && count > (best?.count ?? 0))
      best = { fromMs: left[first]!, toMs: end, count, of: ends.length }
  }
  return best
}
