// Snapping: while something is dragged in time, the nearest point that matters takes hold of it.

export type SnapKind = 'shot' | 'pause' | 'bookmark' | 'line' | 'cue'

export interface SnapPoint {
  ms: number
  kind: SnapKind
}

/** Points in order of time, each time once; where kinds share a time the one named first here is told. */
export function snapPoints(found: readonly SnapPoint[]): SnapPoint[] {
  const sorted = [...found].sort((a, b) => a.ms - b.ms)
  return sorted.filter((point, index) => index === 0 || point.ms !== sorted[index - 1]!.ms)
}

/** The point nearest to `ms`, at most `reachMs` away; null where none is. `points` are in order of time. */
export function nearestPoint(
  points: readonly SnapPoint[],
  ms: number,
  reachMs: number,
): SnapPoint | null {
  let low = 0
  let high = points.length
  while (low < high) {
    const middle = (low + high) >> 1
    if (points[middle]!.ms < ms) low = middle + 1
    else high = middle
  }
  const [before, after] = [points[low - 1], points[low]]
  const near = (point: SnapPoint | undefined) =>
    point && Math.abs(point.ms - ms) <= reachMs ? point : null
  const [a, b] = [near(before), near(after)]
  if (!a || !b) return a ?? b
  return ms - a.ms <= b.ms - ms ? a : b
}

export interface Snapped {
  byMs: number
  /** What took hold; null where nothing was near enough. */
  point: SnapPoint | null
}

/**
 * How far to move things that are dragged by `byMs`: so that the edge (in ms, before the move) that comes nearest to
 * a point lies on it.
 */
export function snapShift(
  points: readonly SnapPoint[],
  edges: readonly number[],
  byMs: number,
  reachMs: number,
): Snapped {
  let best: Snapped = { byMs, point: null }
  let distance = Infinity
  for (const edge of edges) {
    const point = nearestPoint(points, edge + byMs, reachMs)
    if (!point) continue
    const away = Math.abs(point.ms - edge - byMs)
    if (away >= distance) continue
    distance = away
    best = { byMs: point.ms - edge, point }
  }
  return best
}
