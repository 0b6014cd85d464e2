// What a film part asks of playback, sorted once. Every rule here reads intervals as half-open: a cue with a span is
// on screen while fromMs ≤ t < toMs; a moment is crossed when a tick takes t from before it to at or after it.
import {
  cuesInOrder,
  inOrder,
  isOverlayShown,
  partOfKind,
  type Choice,
  type ForkCue,
  type Hold,
  type Lesson,
  type OverlayCue,
  type SeekRule,
  type ShownFacts,
} from '../lesson/index.ts'

/** A question at a time; holds and those that run beside the film alike. */
export interface QuestionMoment {
  kind: 'question'
  cueId: string
  atMs: number
  hold: Hold
  sendBack: boolean
  again: boolean
  /** How long there is to answer; null for as long as one likes. */
  countdownMs: number | null
  /** The stretch that answers it, already cut so that it ends at the question at the latest. */
  evidence: { fromMs: number; toMs: number } | null
}

/** A fork at a time; its ways in their order. Whenever it is met it asks, or decides, anew. */
export interface ForkMoment {
  kind: 'fork'
  cueId: string
  atMs: number
  decides: boolean
  ways: readonly Way[]
  countdownMs: number | null
  defaultChoice: string | null
}

/** A way that a fork can take, with its target's time inside the film. */
export type Way = Pick<Choice, 'id' | 'target' | 'condition'>

export type Moment = QuestionMoment | ForkMoment

export interface OverlaySpan {
  cueId: string
  fromMs: number
  toMs: number
  shown: OverlayCue['shown']
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
    if (cue.kind === 'overlay')
      overlays.push({ cueId, fromMs: cue.fromMs, toMs: cue.toMs, shown: cue.shown })
    else if (cue.kind === 'fork') moments.push(forkMoment(cue, durationMs))
    else if (cue.kind === 'bookmark')
      bookmarks.push({ cueId, atMs: Math.min(cue.atMs, durationMs), title: cue.title })
    else if (cue.kind === 'question') {
      const atMs = Math.min(cue.atMs, durationMs)
      const evidence = lesson.questions[cue.questionId]?.evidence ?? null
      const inThisPart = evidence?.partId === partId ? evidence : null
      const { hold, sendBack, again, countdownMs = null } = cue
      moments.push({
        kind: 'question',
        cueId,
        atMs,
        hold,
        sendBack,
        again,
        countdownMs,
        evidence: cutAt(inThisPart, atMs),
      })
    }
  }
  return {
    durationMs,
    seekRule: partOfKind(lesson, partId, 'film')?.seekRule ?? 'free',
    moments,
    overlays,
    bookmarks,
  }
}

function cutAt(stretch: { fromMs: number; toMs: number } | null, atMs: number) {
  if (!stretch || stretch.fromMs >= atMs) return null
  return { fromMs: stretch.fromMs, toMs: Math.min(stretch.toMs, atMs) }
}

function forkMoment(cue: ForkCue, durationMs: number): ForkMoment {
  const { id: cueId, decides, countdownMs, defaultChoice } = cue
  const ways = inOrder(Object.values(cue.choices)).map(({ id, target, condition }) => ({
    id,
    condition,
    target: target.to === 'time' ? { ...target, atMs: Math.min(target.atMs, durationMs) } : target,
  }))
  const atMs = Math.min(cue.atMs, durationMs)
  return { kind: 'fork', cueId, atMs, decides, ways, countdownMs, defaultChoice }
}

/** The overlays on screen at `ms`, as far as `facts` let them be. */
export function overlaysAt(schedule: Schedule, ms: number, facts: ShownFacts): string[] {
  return schedule.overlays
    .filter((overlay) => isOverlayShown(overlay, ms, facts))
    .map(({ cueId }) => cueId)
}

/** The bookmark whose stretch `ms` lies in: the last one at or before it. */
export function bookmarkAt(schedule: Schedule, ms: number): Bookmark | null {
  return schedule.bookmarks.filter((bookmark) => bookmark.atMs <= ms).at(-1) ?? null
}

/** Whether playback may not go past this without its being dealt with: answered, or a way taken. */
export function isRequired(moment: Moment): boolean {
  return moment.kind === 'fork' || moment.hold === 'answered' || moment.hold === 'right'
}

/** Whether playback is held here when it comes by. */
export function holdsHere(moment: Moment, released: Readonly<Record<string, true>>): boolean {
  if (moment.kind === 'fork') return !moment.decides
  return moment.hold !== 'none' && (moment.again || !released[moment.cueId])
}

/** What a film would be held by, or turn off at, before `ms`: all that is passed over where it begins there. */
export function passedBefore(schedule: Schedule, ms: number): string[] {
  return schedule.moments
    .filter((moment) => moment.atMs < ms && (holdsHere(moment, {}) || moment.kind === 'fork'))
    .map(({ cueId }) => cueId)
}

/** The next moment after `ms` at which playback will be held or may turn off, or null; released ones do not hold again. */
export function nextHoldMs(
  schedule: Schedule,
  released: Readonly<Record<string, true>>,
  ms: number,
): number | null {
  const next = schedule.moments.find(
    (m) => m.atMs > ms && (holdsHere(m, released) || m.kind === 'fork'),
  )
  return next?.atMs ?? null
}
