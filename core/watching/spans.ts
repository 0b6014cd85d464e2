// Stretches of film that were played, and what follows from them. A span is half-open: `[fromMs, toMs)`.

/** A stretch of film; `toMs` is not part of it. */
export interface Span {
  fromMs: number
  toMs: number
}

/** The sorted, disjoint union of spans; touching spans merge, empty or reversed ones vanish. O(n log n). */
export function normalise(spans: readonly Span[]): Span[] {
  const sorted = spans
    .filter((span) => span.fromMs < span.toMs)
    .map(({ fromMs, toMs }) => ({ fromMs, toMs }))
    .sort((a, b) => a.fromMs - b.fromMs)
  const union: Span[] = []
  for (const span of sorted) {
    const last = union.at(-1)
    if (last && span.fromMs <= last.toMs) last.toMs = Math.max(last.toMs, span.toMs)
    else union.push(span)
  }
  return union
}

/**
 * Spans in the order in which they were played, each joined to the one before where it goes on from its end. Into how many spans
 * a playing was cut while it was reported makes no difference to them; what is counted of spans is counted of these.
 */
export function runsOf(spans: readonly Span[]): Span[] {
  const runs: Span[] = []
  for (const { fromMs, toMs } of spans) {
    const last = runs.at(-1)
    if (last?.toMs === fromMs) last.toMs = toMs
    else runs.push({ fromMs, toMs })
  }
  return runs
}

/** What lies in two of the spans or more: sorted and disjoint, like a union. */
export function watchedAgain(spans: readonly Span[]): Span[] {
  const steps = spans
    .filter((span) => span.fromMs < span.toMs)
    .flatMap(({ fromMs, toMs }) => [
      { atMs: fromMs, by: 1 },
      { atMs: toMs, by: -1 },
    ])
    // Ends come first, so that what merely touches is not twice there.
    .sort((a, b) => a.atMs - b.atMs || a.by - b.by)
  const twice: Span[] = []
  let depth = 0
  let fromMs = 0
  for (const { atMs, by } of steps) {
    if (depth < 2 && depth + by >= 2) fromMs = atMs
    if (depth >= 2 && depth + by < 2) twice.push({ fromMs, toMs: atMs })
    depth += by
  }
  return normalise(twice)
}

/** The film time that spans cover together, in ms; what is played twice counts once. */
export function coveredMs(spans: readonly Span[]): number {
  return normalise(spans).reduce((sum, span) => sum + span.toMs - span.fromMs, 0)
}

/** The share of the film that spans cover, 0 to 1; 0 for a film without length. */
export function coverage(spans: readonly Span[], durationMs: number): number {
  return durationMs <= 0 ? 0 : Math.min(1, coveredMs(clip(spans, 0, durationMs)) / durationMs)
}

/** The share of a stretch that spans cover, 0 to 1; 0 of one without length. */
export const shareWatched = (spans: readonly Span[], { fromMs, toMs }: Span): number =>
  toMs <= fromMs ? 0 : coveredMs(clip(spans, fromMs, toMs)) / (toMs - fromMs)

/** From this share on, the stretch that answers a question counts as watched. */
export const SEEN_SHARE = 0.8

/** The parts of spans that lie within `[fromMs, toMs)`. */
export function clip(spans: readonly Span[], fromMs: number, toMs: number): Span[] {
  return spans
    .map((span) => ({ fromMs: Math.max(span.fromMs, fromMs), toMs: Math.min(span.toMs, toMs) }))
    .filter((span) => span.fromMs < span.toMs)
}

/** The furthest point that was played, in ms; 0 when nothing was. */
export function furthestMs(spans: readonly Span[]): number {
  return spans.reduce((furthest, span) => Math.max(furthest, span.toMs), 0)
}

/**
 * How often the middle of each bin of `binMs` was played, over `[0, durationMs)`: so it makes no difference into how
 * many spans a playing was cut while it was reported. By difference array, O(spans + bins).
 */
export function counts(spans: readonly Span[], durationMs: number, binMs: number): number[] {
  const bins = Math.ceil(durationMs / binMs)
  if (bins === 0) return []
  const difference = new Array<number>(bins + 1).fill(0)
  // The last bin may be shorter, and then its middle comes sooner.
  const lastMiddle = ((bins - 1) * binMs + durationMs) / 2
  const firstFrom = (ms: number) => {
    const bin = Math.max(0, Math.ceil(ms / binMs - 0.5))
    return bin < bins - 1 ? bin : ms <= lastMiddle ? bins - 1 : bins
  }
  for (const { fromMs, toMs } of spans) {
    if (fromMs >= toMs) continue
    difference[firstFrom(fromMs)]! += 1
    difference[firstFrom(toMs)]! -= 1
  }
  let running = 0
  return difference.slice(0, bins).map((step) => (running += step))
}

/** How many learners played each bin, by its middle, at least once; one list of spans a learner. */
export const learnersPerBin = (
  spansPerLearner: readonly (readonly Span[])[],
  durationMs: number,
  binMs: number,
): number[] => counts(spansPerLearner.flatMap(normalise), durationMs, binMs)

/** The share of learners whose furthest point is at or beyond each of `timesMs`; all 0 without learners. */
export function leaveOff(
  spansPerLearner: readonly (readonly Span[])[],
  timesMs: readonly number[],
): number[] {
  const ends = spansPerLearner.map(furthestMs).sort((a, b) => a - b)
  return timesMs.map((time) => {
    if (ends.length === 0) return 0
    let low = 0
    let high = ends.length
    while (low < high) {
      const middle = (low + high) >> 1
      if (ends[middle]! < time) low = middle + 1
      else high = middle
    }
    return (ends.length - low) / ends.length
  })
}
