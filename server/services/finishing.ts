// Whether a learner has finished a lesson: always by what they did. A device says that a part is finished; it counts once
// what was played, answered and opened bears that out.
import { heldBackUntil, underRules } from '@fernbrake/core/classes'
import { partOfKind, type Lesson } from '@fernbrake/core/lesson'
import { hasFinished, reachedIn, type Did } from '@fernbrake/core/playback'
import { isShut, knownOf, partsLeft, type Known } from '@fernbrake/core/routes'
import type { Ask } from '../database/connect.ts'
import type { AssignmentFacts } from '../queries/assignments.ts'
import { readWays } from '../queries/choices.ts'
import { nothingCovered, readCovered } from '../queries/covered.ts'
import { proveParts, readClaims, readReleased, storeFinishedAt } from '../queries/finishedParts.ts'
import { readOutcomes } from '../queries/responses.ts'
import { readSeen } from '../queries/seenThings.ts'
import { timesOf } from './assignments.ts'

/** A lesson as it is learned now, by an attempt that may be made for an assignment. */
function asLearned(lesson: Lesson, assignment: AssignmentFacts | null): Lesson {
  if (!assignment) return lesson
  const heldBack = heldBackUntil(assignment.rules, timesOf(assignment), new Date())
  return underRules(lesson, assignment.rules, heldBack === null)
}

/** Works out anew which parts are finished, and whether the lesson is; the attempt is locked by now. */
export async function settleFinished(
  ask: Ask,
  attemptId: string,
  lesson: Lesson,
  assignment: AssignmentFacts | null,
): Promise<void> {
  const claims = await readClaims(ask, attemptId)
  const ways = await readWays(ask, attemptId)
  if (claims.length === 0 && ways.length === 0) return
  const ruled = asLearned(lesson, assignment)
  const covered = (await readCovered(ask, [attemptId])).get(attemptId) ?? nothingCovered()
  const responses = await readOutcomes(ask, attemptId)
  const released = await readReleased(ask, attemptId)
  const seen = (await readSeen(ask, [attemptId])).get(attemptId) ?? {}
  const chosen = ways.reduce<Record<string, string[]>>(
    (all, { cueId, choiceId }) => ({ ...all, [cueId]: [...(all[cueId] ?? []), choiceId] }),
    {},
  )
  const did: Did = { played: covered.played, seen, responses, released, chosen }
  const known = knownOf(lesson, { responses, covered: covered.spans, seen, released })
  const fresh = claims.filter(
    ({ partId, proven }) =>
      !proven &&
      Object.hasOwn(ruled.parts, partId) &&
      !isShut(ruled.parts[partId]!, known) &&
      hasFinished(ruled, partId, did),
  )
  await proveParts(
    ...([ask, attemptId] as const),
    fresh.map(({ partId }) => partId),
  )
  const proven = claims.filter((claim) => claim.proven || fresh.includes(claim))
  const last = Object.fromEntries(ways.map(({ cueId, choiceId }) => [cueId, choiceId]))
  const travelled = {
    finishedParts: proven.map(({ partId }) => partId),
    chosen: borneOut(ruled, last, did, new Set(proven.map(({ partId }) => partId))),
  }
  const isDone = isNothingLeft(ruled, travelled, known)
  const lastAt = proven.map(({ at }) => at).sort((a, b) => a.getTime() - b.getTime())
  await storeFinishedAt(ask, attemptId, isDone ? (lastAt.at(-1) ?? new Date()) : null)
}

function isNothingLeft(
  lesson: Lesson,
  travelled: { finishedParts: string[]; chosen: Record<string, string> },
  known: Known,
): boolean {
  const { finishedParts, chosen } = travelled
  if (finishedParts.length === 0 && Object.keys(chosen).length === 0) return false
  return partsLeft(lesson, travelled, known).length === 0
}

/** So far before a fork, in ms, somebody may have been seen last who took one of its ways. */
const FORK_SLACK_MS = 1500

/** The ways that can have been taken: of forks that were come to, and at the end of parts that are finished. */
function borneOut(
  lesson: Lesson,
  chosen: Readonly<Record<string, string>>,
  { played }: Did,
  finished: ReadonlySet<string>,
): Record<string, string> {
  const isTrue = (place: string): boolean => {
    const cue = Object.hasOwn(lesson.cues, place) ? lesson.cues[place] : undefined
    if (cue?.kind !== 'fork') return finished.has(place)
    const film = partOfKind(lesson, cue.partId, 'film')
    if (!film || film.seekRule === 'free') return true
    const { furthestMs } = reachedIn(lesson, cue.partId, played[cue.partId] ?? [])
    return furthestMs >= Math.min(cue.atMs, film.durationMs ?? 0) - FORK_SLACK_MS
  }
  return Object.fromEntries(Object.entries(chosen).filter(([place]) => isTrue(place)))
}
