// Bringing the stage in line with the moment: what comes and what goes.
import { countdownOf } from './asking.ts'
import { overlaysAt, type Schedule } from './schedule.ts'
import type { Advanced, PlaybackCommand, PlaybackState } from './state.ts'

/** How a moment is come to: only what was played counts towards the furthest point. */
export type By = 'playing' | 'jumping'

/** The state at a media time that was come to so; what lies on the stage stays as it was. */
export function arriveAt(state: PlaybackState, mediaMs: number, by: By): PlaybackState {
  const furthestMs = by === 'playing' ? Math.max(state.furthestMs, mediaMs) : state.furthestMs
  return { ...state, mediaMs, furthestMs }
}

/** Sets the media time and brings the overlays up to it. */
export const moveTo = (
  schedule: Schedule,
  state: PlaybackState,
  mediaMs: number,
  by: By,
): Advanced => withOverlays(schedule, arriveAt(state, mediaMs, by), [])

/** Brings what lies on the stage in line with the rest of the state. */
export function withOverlays(
  schedule: Schedule,
  state: PlaybackState,
  before: readonly PlaybackCommand[],
): Advanced {
  const overlays = overlaysAt(schedule, state.mediaMs, {
    isAnswered: (cueId) => state.results[cueId] !== undefined,
    countdown: countdownOf(schedule, state),
  })
  const commands: PlaybackCommand[] = [
    ...before,
    ...state.overlays
      .filter((cueId) => !overlays.includes(cueId))
      .map((cueId) => ({ kind: 'hide', cueId }) as const),
    ...overlays
      .filter((cueId) => !state.overlays.includes(cueId))
      .map((cueId) => ({ kind: 'show', cueId }) as const),
  ]
  return { state: { ...state, overlays }, commands }
}
