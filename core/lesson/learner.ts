// What of a lesson learners get.
import type { EndBand, Ending } from './parts/index.ts'
import type { Lesson, OverlayCue } from './schema.ts'

/** The lesson as it is sent to learners: without the designers' notes, and what they call their overlays among themselves. */
export function withoutNotes(lesson: Lesson): Lesson {
  const cues = Object.entries(lesson.cues)
    .filter(([, cue]) => cue.kind !== 'note')
    .map(([id, cue]) => [id, cue.kind === 'overlay' ? unnamed(cue) : cue] as const)
  return { ...lesson, cues: Object.fromEntries(cues) }
}

function unnamed(cue: OverlayCue): OverlayCue {
  const { name: _, ...rest } = cue
  return rest
}

/** Sums of points are sums of fractions: what lies nearer than this to a share has reached it. */
const NEARLY = 1e-9

/**
 * The words for a learner at the end, by their share of the marks: those of the highest band that it reaches, of two that
 * begin at the same share those of the pass; '' where the designer wrote none. While learners are not told yet (`score`
 * null) nothing is said that depends on it.
 */
export function endMessage(
  { message, pass, bands = {} }: Ending,
  score: { points: number; max: number } | null,
): string {
  const all = bandsInOrder(bands).map(({ from, message: said }) => ({ from, said }))
  const byMarks = pass ? [{ from: pass.share, said: pass.message }, ...all] : all
  if (!score) return byMarks.length > 0 ? '' : message
  const share = score.max > 0 ? score.points / score.max : 0
  const reached = byMarks.filter(({ from, said }) => said !== '' && share + NEARLY >= from)
  return reached.reduce((best, one) => (one.from > best.from ? one : best), {
    from: -1,
    said: message,
  }).said
}

/** Where another band begins at first, in whole hundredths: in the middle of the widest stretch that has none yet. */
export function shareForNew({ pass, bands }: Ending): number {
  const taken = bandsInOrder(bands).map(({ from }) => from)
  const steps = [0, ...taken, ...(pass ? [pass.share] : []), 1].sort((a, b) => a - b)
  const gaps = steps
    .slice(1)
    .map((to, index) => ({ from: steps[index]!, width: to - steps[index]! }))
  const widest = gaps.reduce((best, one) => (one.width > best.width ? one : best))
  return Math.round((widest.from + widest.width / 2) * 100) / 100
}

/** From the highest share down, as they are read; of two that begin at the same the one that was there first by its id. */
export const bandsInOrder = (bands: Ending['bands']): EndBand[] =>
  Object.values(bands ?? {}).sort((a, b) => b.from - a.from || (a.id < b.id ? -1 : 1))
