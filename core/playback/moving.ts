// Bringing the stage in line with the moment: what comes and what goes.
import { countdownOf } from './asking.ts'
import { overlaysAt, type Schedule } from './schedule.ts'
import type { Advanced, PlaybackCommand, PlaybackState } from './state.ts'

/** Sets the media time and brings the overlays up to it. */
export function moveTo(schedule: Schedule, state: PlaybackState, mediaMs: number): Advanced {
  const furthestMs = Math.max(state.furthestMs, mediaMs)
  return withOverlays(schedule, { ...state, mediaMs, furthestMs }, [])
}

/** Brings what lies on the stage in line with the rest of the state. */
export function withOverlays(
  schedule: Schedule,
  state: PlaybackState,
  before: PlaybackCommand[],
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
