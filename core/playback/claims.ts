// What a learner's device says is finished, held against what they did: it counts once that bears it out.
import { partOfKind, type Lesson } from '../lesson/index.ts'
import { isShut, partsLeft, type Known } from '../routes/index.ts'
import { END_SLACK_MS, hasFinished, type DoneInParts } from './finished.ts'
import { reachedIn } from './reached.ts'

/** What is said, each in the order in which it was done. */
export interface Claims {
  parts: readonly { partId: string; proven: boolean }[]
  /** The ways that were taken: at a fork, or at the end of a part. */
  ways: readonly { cueId: string; choiceId: string }[]
}

export interface Finish {
  /** The parts that are borne out only now. */
  fresh: string[]
  /** Whether nothing of the lesson is left. */
  isDone: boolean
}

/** What was borne out once stays so. `lesson` is as it was learned, see `underRules`. */
export function judgeClaims(
  lesson: Lesson,
  { parts, ways }: Claims,
  what: Omit<DoneInParts, 'chosen'>,
  known: Known,
): Finish {
  const did = { ...what, chosen: everyWay(ways) }
  const fresh = parts.flatMap(({ partId, proven }) => {
    const part = Object.hasOwn(lesson.parts, partId) ? lesson.parts[partId]! : null
    const isFresh = part && !proven && !isShut(part, known) && hasFinished(lesson, partId, did)
    return isFresh ? [partId] : []
  })
  const finishedParts = parts.flatMap(({ partId, proven }) =>
    proven || fresh.includes(partId) ? [partId] : [],
  )
  const finished = new Set(finishedParts)
  const chosen = Object.fromEntries(
    ways
      .filter(({ cueId }) => wasComeTo(lesson, cueId, did, finished))
      .map(({ cueId, choiceId }) => [cueId, choiceId]),
  )
  const hasBegun = finishedParts.length > 0 || Object.keys(chosen).length > 0
  return {
    fresh,
    isDone: hasBegun && partsLeft(lesson, { finishedParts, chosen }, known).length === 0,
  }
}

function everyWay(ways: Claims['ways']): Record<string, string[]> {
  const chosen = new Map<string, Set<string>>()
  for (const { cueId, choiceId } of ways)
    chosen.set(cueId, (chosen.get(cueId) ?? new Set()).add(choiceId))
  return Object.fromEntries([...chosen].map(([cueId, ids]) => [cueId, [...ids]]))
}

/** Whether somebody can have stood where a way begins: at a fork, or at the end of a part that is finished. */
function wasComeTo(
  lesson: Lesson,
  place: string,
  { played }: DoneInParts,
  finished: ReadonlySet<string>,
): boolean {
  const cue = Object.hasOwn(lesson.cues, place) ? lesson.cues[place] : undefined
  if (cue?.kind !== 'fork') return finished.has(place)
  const film = partOfKind(lesson, cue.partId, 'film')
  if (!film || film.seekRule === 'free') return true
  const { furthestMs } = reachedIn(lesson, cue.partId, played[cue.partId] ?? [])
  return furthestMs >= Math.min(cue.atMs, film.durationMs ?? 0) - END_SLACK_MS
}
