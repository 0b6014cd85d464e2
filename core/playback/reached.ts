// How far into a film somebody came by playing it and by the jumps that its lesson makes, where its learners may make none.
import type { Lesson } from '../lesson/index.ts'
import { normalise, type Span } from '../watching/index.ts'

/** So much may be missing between two stretches without anybody having jumped: clocks and seeking are not exact, in ms. */
const JUMP_SLACK_MS = 3000

/** A jump that the lesson itself makes or offers: from a time of the film, or from elsewhere (null), to a time of it. */
interface OwnJump {
  fromMs: number | null
  toMs: number
}

/** A document never changes, and a whole class asks the same of it. */
const kept = new WeakMap<object, Map<string, OwnJump[]>>()

type Walked = Pick<Lesson, 'parts' | 'cues' | 'questions' | 'materials'>

/** The beginnings of stretches of a film that anything else in a lesson names: as evidence, on a page, in a text. */
function stretchesNamed(value: unknown, partId: string): number[] {
  if (typeof value !== 'object' || value === null) return []
  const { partId: named, fromMs } = value as { partId?: unknown; fromMs?: unknown }
  const own = named === partId && typeof fromMs === 'number' ? [fromMs] : []
  return [...own, ...Object.values(value).flatMap((inner) => stretchesNamed(inner, partId))]
}

/** The jumps within a film that its forks, its overlays and other parts make, and those to evidence. */
function ownJumps(lesson: Walked, partId: string): OwnJump[] {
  const byPart = kept.get(lesson.cues) ?? new Map<string, OwnJump[]>()
  kept.set(lesson.cues, byPart)
  const known = byPart.get(partId)
  if (known) return known
  const jumps: OwnJump[] = []
  for (const cue of Object.values(lesson.cues)) {
    if (cue.partId !== partId) continue
    if (cue.kind === 'fork')
      for (const { target } of Object.values(cue.choices))
        if (target.to === 'time') jumps.push({ fromMs: cue.atMs, toMs: target.atMs })
    if (cue.kind === 'overlay' && cue.action?.does === 'time')
      jumps.push({ fromMs: cue.fromMs, toMs: cue.action.atMs })
  }
  const { [partId]: _, ...others } = lesson.parts
  const elsewhere = [others, lesson.questions, lesson.materials ?? {}]
  for (const toMs of stretchesNamed(elsewhere, partId)) jumps.push({ fromMs: null, toMs })
  byPart.set(partId, jumps)
  return jumps
}

/**
 * Goes through what was played of a film: what is reached from its beginning by playing on, going back, and the film's own
 * jumps. `furthestMs` is the furthest of it; `jumpedMs` is how much film lies before stretches that were not reached so.
 */
export function reachedIn(
  lesson: Walked,
  partId: string,
  played: readonly Span[],
): { furthestMs: number; jumpedMs: number } {
  const jumps = ownJumps(lesson, partId)
  const left = new Set(normalise(played))
  /** The furthest point so far, however it was come to; and the furthest without a jump that nobody offered. */
  let [furthest, honest, jumpedMs] = [0, 0, 0]
  const leadsTo = (span: Span) =>
    // Going back is always allowed, and so is playing on from where one was.
    span.fromMs <= furthest + JUMP_SLACK_MS ||
    jumps.some(
      ({ fromMs, toMs }) =>
        (fromMs ?? 0) <= furthest + JUMP_SLACK_MS && Math.abs(span.fromMs - toMs) <= JUMP_SLACK_MS,
    )
  for (;;) {
    const spans = [...left]
    const next = spans.find(leadsTo) ?? spans[0]
    if (!next) return { furthestMs: honest, jumpedMs }
    if (!leadsTo(next)) jumpedMs += next.fromMs - furthest
    left.delete(next)
    furthest = Math.max(furthest, next.toMs)
    if (jumpedMs === 0) honest = furthest
  }
}
