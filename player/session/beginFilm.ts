// How a film is found when its part is opened: what was answered, taken, released and waited for before.
import {
  buildSchedule,
  startPlayback,
  timesUp,
  type PlaybackState,
  type Schedule,
} from '@fernbrake/core/playback'
import { furthestMs, normalise } from '@fernbrake/core/watching'
import type { OpenedLesson } from '../hosts/Host.ts'
import { resultsOf } from './useAnswers.ts'
import { readWaited } from './waitedTimes.ts'

/** What is asked when in the film, and the state that playback begins in. */
export function beginFilm(
  { lesson, progress, seed, assignment, keepsDrafts = true }: OpenedLesson,
  partId: string,
  durationMs: number,
): { schedule: Schedule; began: PlaybackState } {
  const schedule = buildSchedule(lesson, partId, durationMs)
  const waited = keepsDrafts ? readWaited(seed) : {}
  const results = resultsOf(lesson, progress.responses, assignment?.tells ?? true)
  const began = startPlayback({
    furthestMs: furthestMs(normalise(progress.covered[partId] ?? [])),
    released: progress.released,
    results,
    finished: progress.finishedParts.includes(partId),
    chosen: progress.chosen,
    waited,
    timeUp: timesUp(schedule, waited, progress.released).filter((id) => !results[id]?.final),
  })
  return { schedule, began }
}
