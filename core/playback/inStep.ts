// What runs in step with the film: a sound or a second film that comes at a time of it.

/** How the film stands. */
export interface FilmPace {
  mediaMs: number
  playing: boolean
}

/** When what runs in step comes, where in itself it begins then, and how long it is; all in ms. */
export interface StepPlace {
  fromMs: number
  startMs: number
  lengthMs: number
}

/** Where it should be in itself, and whether it should be heard or moving; before its time and after its end it stands. */
export function placeInStep(
  { mediaMs, playing }: FilmPace,
  { fromMs, startMs, lengthMs }: StepPlace,
): { atMs: number; playing: boolean } {
  const wantedMs = startMs + mediaMs - fromMs
  const atMs = Math.min(Math.max(wantedMs, 0), lengthMs)
  return { atMs, playing: playing && wantedMs >= 0 && wantedMs < lengthMs }
}

/** Nobody sees or hears a difference smaller than this, in ms; putting it right would be heard. */
const UNHEARD_MS = 300
/** At its very beginning a sound may lag as far as this, so that its first word is not cut off. */
const BEGINNING_MS = 900
/** Standing still, the picture should be the right one to the frame. */
const STANDING_MS = 40

/** Whether it must be put right: `isMs` is where it is, `at` where it should be. */
export function isOutOfStep(
  isMs: number,
  at: { atMs: number; playing: boolean },
  { startMs }: Pick<StepPlace, 'startMs'>,
): boolean {
  const off = Math.abs(isMs - at.atMs)
  if (!at.playing) return off > STANDING_MS
  const isBeginning = isMs - startMs < BEGINNING_MS && isMs >= startMs
  return off > (isBeginning && isMs < at.atMs ? BEGINNING_MS : UNHEARD_MS)
}
