// Shots: where one picture is cut to another. Frames come in order, small and grey; the score is that of ffmpeg's
// scene filter (the mean difference to the frame before, or how much that difference grew, whichever is less),
// held against what has been usual in the last second.

/** Frames are looked at in this size: enough to tell a cut, small enough for a film of hours. */
export const SHOT_FRAME = { width: 64, height: 36 }
/** A shot lasts at least this long, in ms. */
const SHORTEST_SHOT_MS = 500
/** How many earlier scores the median is taken over. */
const MEDIAN_OVER = 25
/** A cut stands this many times above the median of the scores before it … */
const TIMES_MEDIAN = 5
/** … and the picture changes by this share of the range from black to white at least. */
const LEAST_SCORE = 0.06

export class ShotFinder {
  readonly #shots: number[] = []
  readonly #scores: number[] = []
  #before: Uint8Array | null = null
  #difference = 0
  #lastCutMs = 0

  /** A frame as grey bytes, and the time at which it comes. */
  add(frame: Uint8Array, atMs: number): void {
    if (this.#before) this.#score(differenceOf(this.#before, frame), atMs)
    this.#before = Uint8Array.from(frame)
  }

  /** The times at which a new shot begins, without 0, in order. */
  finish(): number[] {
    return this.#shots
  }

  #score(difference: number, atMs: number): void {
    const score = Math.min(difference, Math.abs(difference - this.#difference))
    this.#difference = difference
    const usual = medianOf(this.#scores)
    const standsOut = score >= LEAST_SCORE && score >= usual * TIMES_MEDIAN
    if (standsOut && atMs - this.#lastCutMs >= SHORTEST_SHOT_MS) {
      this.#shots.push(atMs)
      this.#lastCutMs = atMs
    }
    this.#scores.push(score)
    if (this.#scores.length > MEDIAN_OVER) this.#scores.shift()
  }
}

/** The mean difference of two frames as a share of the range, 0 to 1. */
function differenceOf(a: Uint8Array, b: Uint8Array): number {
  let sum = 0
  for (let index = 0; index < a.length; index += 1) sum += Math.abs(a[index]! - b[index]!)
  return sum / (a.length * 255)
}

function medianOf(values: readonly number[]): number {
  if (values.length === 0) return 0
  return [...values].sort((a, b) => a - b)[values.length >> 1]!
}
