// Whether a learner has finished a lesson: always by what they did. A device says that a part is finished; it counts once
// what was played, answered and opened bears that out.
import { heldBackUntil, underRules } from '@fernbrake/core/classes'
import type { Lesson } from '@fernbrake/core/lesson'
import { judgeClaims } from '@fernbrake/core/playback'
import { knownOf } from '@fernbrake/core/routes'
import type { Ask } from '../database/connect.ts'
import { timesOf, type AssignmentFacts } from './queries/assignments.ts'
import { readWays } from './queries/choices.ts'
import { nothingCovered, readCovered } from './queries/covered.ts'
import { proveParts, readClaims, readReleased, storeFinishedAt } from './queries/finishedParts.ts'
import { readOutcomes } from './queries/responses.ts'
import { readSeen } from './queries/seenThings.ts'

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
  const parts = await readClaims(ask, attemptId)
  const ways = await readWays(ask, attemptId)
  if (parts.length === 0 && ways.length === 0) return
  const covered = (await readCovered(ask, [attemptId])).get(attemptId) ?? nothingCovered()
  const responses = await readOutcomes(ask, attemptId)
  const released = await readReleased(ask, attemptId)
  const seen = (await readSeen(ask, [attemptId])).get(attemptId) ?? {}
  const did = { played: covered.played, seen, responses, released }
  const known = knownOf(lesson, { responses, covered: covered.spans, seen, released })
  const { fresh, isDone } = judgeClaims(asLearned(lesson, assignment), { parts, ways }, did, known)
  await proveParts(ask, attemptId, fresh)
  const doneMs = parts
    .filter(({ partId, proven }) => proven || fresh.includes(partId))
    .map(({ at }) => at.getTime())
  const lastAt = doneMs.length > 0 ? new Date(Math.max(...doneMs)) : new Date()
  await storeFinishedAt(ask, attemptId, isDone ? lastAt : null)
}
