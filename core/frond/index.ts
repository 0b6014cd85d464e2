// The geometry of the frond, Fernbrake's drawing of a film's time. No screen: numbers in, numbers out.
// A frond shows a window of film time on a stem of some width; cues grow on it as leaves, blades and rings.

export * from './snap.ts'

/** The stretch of film that is drawn, and how wide, in pixels. */
export interface FrondWindow {
  fromMs: number
  toMs: number
  width: number
}

/** The place of a time on the stem, in pixels; outside the window it lies outside `[0, width]`. */
export function xOfMs(ms: number, { fromMs, toMs, width }: FrondWindow): number {
  return toMs <= fromMs ? 0 : ((ms - fromMs) / (toMs - fromMs)) * width
}

/** The time at a place on the stem, in whole ms. */
export function msOfX(x: number, { fromMs, toMs, width }: FrondWindow): number {
  return width <= 0 ? fromMs : Math.round(fromMs + (x / width) * (toMs - fromMs))
}

/** The shortest stretch that a frond may show, in ms: a few frames. */
export const SHORTEST_WINDOW_MS = 200

/** Zooms by `factor` (above 1: closer) so that `anchorMs` stays where it is; never leaves the film. */
export function zoomWindow(
  window: FrondWindow,
  factor: number,
  anchorMs: number,
  durationMs: number,
): FrondWindow {
  const length = window.toMs - window.fromMs
  const least = Math.min(SHORTEST_WINDOW_MS, durationMs)
  const next = Math.min(durationMs, Math.max(least, length / factor))
  const share = length > 0 ? (anchorMs - window.fromMs) / length : 0.5
  return shiftInto(
    { ...window, fromMs: anchorMs - share * next, toMs: anchorMs + (1 - share) * next },
    durationMs,
  )
}

/** Moves the window by `byMs` within the film. */
export function panWindow(window: FrondWindow, byMs: number, durationMs: number): FrondWindow {
  return shiftInto(
    { ...window, fromMs: window.fromMs + byMs, toMs: window.toMs + byMs },
    durationMs,
  )
}

function shiftInto(window: FrondWindow, durationMs: number): FrondWindow {
  const length = Math.round(Math.min(window.toMs - window.fromMs, durationMs))
  const fromMs = Math.round(Math.min(Math.max(0, window.fromMs), durationMs - length))
  return { ...window, fromMs, toMs: fromMs + length }
}

const TICK_STEPS_MS = [
  40, 100, 200, 500, 1000, 2000, 5000, 10_000, 15_000, 30_000, 60_000, 120_000, 300_000, 600_000,
  900_000, 1_800_000, 3_600_000,
]

/** Round times for a ruler, at least `leastPx` apart. */
export function rulerTicks(window: FrondWindow, leastPx = 90): number[] {
  const msPerPx = (window.toMs - window.fromMs) / Math.max(1, window.width)
  const step =
    TICK_STEPS_MS.find((candidate) => candidate >= msPerPx * leastPx) ?? TICK_STEPS_MS.at(-1)!
  const first = Math.ceil(window.fromMs / step) * step
  const ticks: number[] = []
  for (let tick = first; tick <= window.toMs; tick += step) ticks.push(tick)
  return ticks
}

export interface LaneItem {
  id: string
  fromMs: number
  toMs: number
}

/** Gives each overlay the first lane that is free at its beginning; at most one sort, O(n log n + n × lanes). */
export function stackInLanes(items: readonly LaneItem[]): Map<string, number> {
  const lanes = new Map<string, number>()
  const laneEnds: number[] = []
  for (const item of [...items].sort((a, b) => a.fromMs - b.fromMs || b.toMs - a.toMs)) {
    let lane = laneEnds.findIndex((end) => end <= item.fromMs)
    if (lane === -1) lane = laneEnds.length
    laneEnds[lane] = item.toMs
    lanes.set(item.id, lane)
  }
  return lanes
}

export interface LabelItem {
  id: string
  x: number
  text: string
}

export interface PlacedLabel {
  id: string
  x: number
  text: string
  anchor: 'start' | 'end'
}

/** What a character takes at the size of the frond's labels, in pixels; an upper estimate of the interface font. */
export const LABEL_CHARACTER_PX = 7

/**
 * Places labels under their bookmarks without one touching the next: each has the room to the next bookmark or
 * the end, is shortened with … to fit, and is left out where fewer than three characters would stay. The last one
 * turns to the left when it has more room there.
 */
export function placeLabels(items: readonly LabelItem[], width: number, gap = 10): PlacedLabel[] {
  const sorted = [...items].sort((a, b) => a.x - b.x)
  const placed: PlacedLabel[] = []
  let takenTo = 0
  sorted.forEach((item, index) => {
    const roomRight = (sorted[index + 1]?.x ?? width) - item.x - gap
    const roomLeft = item.x - takenTo - gap
    const needs = item.text.length * LABEL_CHARACTER_PX
    const isLast = index === sorted.length - 1
    const toLeft = isLast && needs > roomRight && roomLeft > roomRight
    const text = shorten(item.text, toLeft ? roomLeft : roomRight)
    if (text === '') return
    placed.push({ id: item.id, x: item.x, text, anchor: toLeft ? 'end' : 'start' })
    takenTo = item.x + (toLeft ? 0 : text.length * LABEL_CHARACTER_PX)
  })
  return placed
}

function shorten(text: string, room: number): string {
  const fits = Math.floor(room / LABEL_CHARACTER_PX)
  if (text.length <= fits) return text
  return fits < 4 ? '' : text.slice(0, fits - 1).trimEnd() + '…'
}

export { partOnFrond, quizOnFrond, type QuizOnFrond } from './quiz.ts'
