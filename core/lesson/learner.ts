// What of a lesson learners get.
import type { Ending } from './parts/index.ts'
import type { Lesson } from './schema.ts'

/** The lesson without the designers' notes, as it is sent to learners. */
export function withoutNotes(lesson: Lesson): Lesson {
  const cues = Object.entries(lesson.cues).filter(([, cue]) => cue.kind !== 'note')
  return { ...lesson, cues: Object.fromEntries(cues) }
}

/**
 * The words for a learner at the end, by their share of the marks; '' where the designer wrote none. While learners are
 * not told yet (`score` null) nothing is said that depends on it.
 */
export function endMessage(
  { message, pass }: Ending,
  score: { points: number; max: number } | null,
): string {
  if (!score) return pass ? '' : message
  const share = score.max > 0 ? score.points / score.max : 0
  return pass && share >= pass.share && pass.message !== '' ? pass.message : message
}
