// What a film part asks of playback, sorted once. Every rule here reads intervals as half-open: a cue with a span is
// on screen while fromMs ≤ t < toMs; a moment is crossed when a tick takes t from before it to at or after it.
import { cuesInOrder, isShownAt, type Hold, type Lesson, type SeekRule } from '../lesson/index.ts'

/** A question at a time; holds and those that run beside the film alike. */
export interface Moment {
  cueId: string
  atMs: number
  hold: Hold
  sendBack: boolean
  again: boolean
  /** The stretch that answers it, already cut so that it ends at the question at the latest. */
  evidence: { fromMs: number; toMs: number } | null
}

export interface OverlaySpan {
  cueId: string
  fromMs: number
  toMs: number
}

export interface Bookmark {
  cueId: string
  atMs: number
  title: string
}

export interface Schedule {
  durationMs: number
  seekRule: SeekRule
  /** By time, then by order. */
  moments: readonly Moment[]
  overlays: readonly OverlaySpan[]
  bookmarks: readonly Bookmark[]
}

/** Builds the schedule of one part; cues that begin after the film's end are pulled onto its end. */
export function buildSchedule(lesson: Lesson, partId: string, durationMs: number): Schedule {
  const moments: Moment[] = []
  const overlays: OverlaySpan[] = []
  const bookmarks: Bookmark[] = []
  for (const cue of cuesInOrder(lesson, partId)) {
    const { id: cueId } = cue
    if (cue.kind === 'overlay') overlays.push({ cueId, fromMs: cue.fromMs, toMs: cue.toMs })
    else if (cue.kind === 'bookmark')
      bookmarks.push({ cueId, atMs: Math.min(cue.atMs, durationMs), title: cue.title })
    else if (cue.kind === 'question') {
      const atMs = Math.min(cue.atMs, durationMs)
      const evidence = lesson.questions[cue.questionId]?.evidence ?? null
      const inThisPart = evidence?.partId === partId ? evidence : null
      const { hold, sendBack, again } = cue
      moments.push({ cueId, atMs, hold, sendBack, again, evidence: cutAt(inThisPart, atMs) })
    }
  }
  return {
    durationMs,
    seekRule: lesson.parts[partId]?.seekRule ?? 'free',
    moments,
    overlays,
    bookmarks,
  }
}

function cutAt(stretch: { fromMs: number; toMs: number } | null, atMs: number) {
  if (!stretch || stretch.fromMs >= atMs) return null
  return { fromMs: stretch.fromMs, toMs: Math.min(stretch.toMs, atMs) }
}

/** The overlays on screen at `ms`. */
export function overlaysAt(schedule: Schedule, ms: number): string[] {
  return schedule.overlays.filter((overlay) => isShownAt(overlay, ms)).map(({ cueId }) => cueId)
}

/** The bookmark whose stretch `ms` lies in: the last one at or before it. */
export function bookmarkAt(schedule: Schedule, ms: number): Bookmark | null {
  return schedule.bookmarks.filter((bookmark) => bookmark.atMs <= ms).at(-1) ?? null
}

/** Whether this question must be dealt with before playback may go past it. */
export function isRequired(moment: Moment): boolean {
  return moment.hold === 'answered' || moment.hold === 'right'
}

/** The next moment after `ms` at which playback will be held, or null; released ones do not hold again. */
export function nextHoldMs(
  schedule: Schedule,
  released: Readonly<Record<string, true>>,
  ms: number,
): number | null {
  const next = schedule.moments.find(
    (m) => m.atMs > ms && m.hold !== 'none' && (m.again || !released[m.cueId]),
  )
  return next?.atMs ?? null
}
