// What a class came back to in a film. After Kim et al. 2014, “Understanding in-video dropouts and interaction peaks in
// online lecture videos”.
import { median } from '../statistics/index.ts'
import { counts, learnersPerBin, type Span } from './spans.ts'

/** By bin: how often its middle was played by all, and by how many learners at least once. */
export interface Played {
  plays: number[]
  learners: number[]
}

/** `spansByLearner` are the spans of each; bins of `binMs` over `[0, durationMs)`. */
export function playedByBin(
  spansByLearner: readonly (readonly Span[])[],
  durationMs: number,
  binMs: number,
): Played {
  return {
    plays: counts(spansByLearner.flat(), durationMs, binMs),
    learners: learnersPerBin(spansByLearner, durationMs, binMs),
  }
}

/** Bins nearer to each other than this are one stretch, in ms. */
const MERGED_WITHIN_MS = 10_000
/** From the median absolute deviation to what the standard deviation is of figures that spread as most do. */
const MAD_TO_SD = 1.4826
const DEVIATIONS = 2

/** A stretch that learners came back to more than to the rest; `ratio` is the highest of plays to learners in it. */
export interface Returned extends Span {
  ratio: number
}

/**
 * Where plays to learners stand more than two robust deviations above the median over all bins that anybody played. Bins
 * within ten seconds are one stretch.
 */
export function returnedTo(
  { plays, learners }: Played,
  durationMs: number,
  binMs: number,
): Returned[] {
  const ratios = plays.map((count, bin) => (learners[bin]! > 0 ? count / learners[bin]! : null))
  const known = ratios.filter((ratio) => ratio !== null)
  const middle = median(known)
  if (middle === null) return []
  const spread = median(known.map((ratio) => Math.abs(ratio - middle)))!
  const bound = middle + DEVIATIONS * MAD_TO_SD * spread
  const found: Returned[] = []
  for (const [bin, ratio] of ratios.entries()) {
    if (ratio === null || ratio <= bound + 1e-9) continue
    const [fromMs, toMs] = [bin * binMs, Math.min((bin + 1) * binMs, durationMs)]
    const last = found.at(-1)
    if (last && fromMs - last.toMs <= MERGED_WITHIN_MS) {
      last.toMs = toMs
      last.ratio = Math.max(last.ratio, ratio)
    } else found.push({ fromMs, toMs, ratio })
  }
  return found
}

/** What one learner came back to says something of that learner; what several did, something of the film. */
export const FEWEST_WHO_RETURN = 2

/**
 * Of those who saw anything of a stretch, how many saw some of it again. `cells` are as `cellsOf` writes them, one text a
 * learner.
 */
export function whoCameBack(
  cells: readonly string[],
  { fromMs, toMs }: Span,
  binMs: number,
): { again: number; seen: number } {
  const [first, end] = [Math.floor(fromMs / binMs), Math.ceil(toMs / binMs)]
  const seen = cells.map((one) => one.slice(first, end)).filter((one) => /[12]/.test(one))
  return { again: seen.filter((one) => one.includes('2')).length, seen: seen.length }
}
