// The shapes of the frond, as SVG paths around the point where a cue meets the stem (x = 0, y = 0; up is negative).
// Shape alone tells the kinds apart: a leaf leans forward above, a blade hangs below, a ring sits on the stem.

import type { FrondWatching } from './model.ts'

/** How far a leaf reaches above the stem, in pixels. */
export const LEAF_HEIGHT = 34
export const RING_RADIUS = 6
export const LANE_HEIGHT = 13
/** The first lane of blades begins this far below the stem. */
export const FIRST_LANE = 16

/** A question's leaf. */
export const LEAF_PATH = 'M0 -3 C-9 -11 -8 -24 9 -34 C14 -20 11 -9 0 -3 Z'
/** The same leaf from wherever the path stands on the stem. */
export const LEAF_SHAPE = 'm0 -3c-9 -8 -8 -21 9 -31c5 14 2 25 -9 31z'
/** The vein in a leaf that is not answered yet. */
export const VEIN_PATH = 'M0 -3 C1 -12 4 -20 7 -27'
/** The tick in a leaf that was answered right. */
export const TICK_PATH = 'M-2.5 -17 L1 -13 L7 -22'

/** A leaf filled from its foot to `share` (0 to 1) of its height: the y of the fill's upper edge. */
export const leafFillTop = (share: number) => -3 - share * (LEAF_HEIGHT - 3)

/** A recap's fan: three small leaves from one foot. */
export const FAN_PATHS: readonly string[] = [
  'M0 -3 C-6 -10 -16 -12 -21 -26 C-9 -24 -2 -16 0 -3 Z',
  'M0 -3 C-6 -13 -5 -24 0 -34 C5 -24 6 -13 0 -3 Z',
  'M0 -3 C2 -16 9 -24 21 -26 C16 -12 6 -10 0 -3 Z',
]

/** A note's stalk: thin, dotted, with a small knob. */
export const NOTE_PATH = 'M0 -4 L0 -22'
export const NOTE_TOP = -25

/** An overlay's blade from 0 to `width`, on its lane; never thinner than it can be pointed at. */
export function bladePath(width: number): string {
  const w = Math.max(8, width)
  const tip = Math.min(14, w / 3)
  return `M0 0 C${tip} -6 ${w - tip} -6 ${w} 0 C${w - tip} 6 ${tip} 6 0 0 Z`
}

/** Half the thickness of the stem where everybody watched, and where nobody did, in pixels. */
const [THICKEST, THINNEST] = [10, 1]

/** The outline of a stem as thick as the number who watched; `x` places a time, `stemY` is the stem's line. */
export function thicknessPath(
  { binMs, learners, most }: FrondWatching,
  durationMs: number,
  x: (ms: number) => number,
  stemY: number,
): string {
  if (learners.length === 0) return ''
  const half = (count: number) => THINNEST + (count / Math.max(1, most)) * (THICKEST - THINNEST)
  const times = learners.map((_, bin) => Math.min(durationMs, (bin + 0.5) * binMs))
  const all = [
    [0, learners[0]!],
    ...learners.map((count, bin) => [times[bin]!, count]),
    [durationMs, learners.at(-1)!],
  ] as [number, number][]
  const edge = (sign: 1 | -1) =>
    all.map(([ms, count]) => `${x(ms).toFixed(1)} ${(stemY + sign * half(count)).toFixed(1)}`)
  return `M${[...edge(-1), ...edge(1).reverse()].join(' L')} Z`
}

/** A fork's shoot: one stalk that parts in two. */
export const FORK_PATH = 'M0 -2 V-13 M0 -13 C0 -21 -9 -20 -9 -30 M0 -13 C0 -21 9 -20 9 -30'
/** The buds at the ends of its two ways. */
export const FORK_BUDS: readonly [x: number, y: number][] = [
  [-9, -31],
  [9, -31],
]
