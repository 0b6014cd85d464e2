// The filmstrip: small frames at equal distances on one picture, row by row.

/** Height of a frame on the strip, in pixels; its width follows the film's own shape. */
export const STRIP_FRAME_HEIGHT = 54
const COLUMNS = 60
const LEAST_DISTANCE_MS = 1000
const MOST_FRAMES = 1200

export interface FilmstripLayout {
  /** A frame stands for this long, in ms; the first for the time from 0. */
  everyMs: number
  frames: number
  columns: number
  rows: number
}

/** How the strip of a film of this length is laid out: a frame a second, fewer for films over twenty minutes. */
export function filmstripLayout(durationMs: number): FilmstripLayout {
  const everyMs = Math.max(LEAST_DISTANCE_MS, Math.ceil(durationMs / MOST_FRAMES))
  const frames = Math.max(1, Math.ceil(durationMs / everyMs))
  const columns = Math.min(COLUMNS, frames)
  return { everyMs, frames, columns, rows: Math.ceil(frames / columns) }
}

/** Column and row of the frame that stands for a time. */
export function filmstripPlace(
  { everyMs, frames, columns }: FilmstripLayout,
  atMs: number,
): { column: number; row: number } {
  const frame = Math.min(frames - 1, Math.max(0, Math.floor(atMs / everyMs)))
  return { column: frame % columns, row: Math.floor(frame / columns) }
}
