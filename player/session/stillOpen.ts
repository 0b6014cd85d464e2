// How much of a lesson can still be answered, or tried again, part by part.
import type { InjectionKey } from 'vue'
import { byQuestion, placesAsked } from '@fernbrake/core/analysis'
import { handsIn, isPlayed, playingMs, type Lesson, type Part } from '@fernbrake/core/lesson'
import { buildSchedule, timesUp } from '@fernbrake/core/playback'
import type { OpenedLesson } from '../hosts/Host.ts'
import { toldOf } from './toldOf.ts'
import { canStillAnswer, standingOf } from './useAnswers.ts'
import { readWaited } from './waitedTimes.ts'

/** How many questions of a part can still be answered, as the lesson stands now. */
export const STILL_OPEN: InjectionKey<(partId: string) => number> = Symbol('stillOpen')

/** The questions along a film whose time ran out, on this device or another. */
function lateIn(
  lesson: Lesson,
  part: Part,
  { progress, seed, keepsDrafts = true }: OpenedLesson,
): string[] {
  if (!isPlayed(part)) return []
  const schedule = buildSchedule(lesson, part.id, playingMs(part) ?? 0)
  return timesUp(schedule, keepsDrafts ? readWaited(seed) : {}, progress.released)
}

/** How many questions of a part can still be answered. What is handed in is closed then, and lists its own before. */
export function stillOpenIn(opened: OpenedLesson, partId: string): number {
  const { lesson, progress } = opened
  const part = lesson.parts[partId]
  if (!part || handsIn(part)) return 0
  const isTold = toldOf(opened)[0]()
  const given = byQuestion(progress.responses)
  const late = lateIn(lesson, part, opened)
  return placesAsked(lesson, part).filter(
    ({ id, question }) =>
      !late.includes(id) &&
      canStillAnswer(question, standingOf(question, given.get(question.id) ?? [], isTold)),
  ).length
}
