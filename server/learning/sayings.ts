// What learners say to their class comes with their records, and is handed on to whoever keeps it: the talk.
import type { Outcomes, Saying } from '@fernbrake/core/records'
import type { Lesson } from '@fernbrake/core/lesson'
import type { Ask } from '../database/connect.ts'
import { isAssignedTo, type AssignmentFacts } from './queries/assignments.ts'

/** A learner who says something. */
export interface Speaker {
  /** Null where there is no talk for this learner. */
  assignmentId: string | null
  personId: string
  lesson: Lesson
}

/** Whether somebody of a class talks with it: it may, and the lesson is theirs to learn still. */
export const talksNow = async (
  assignment: Pick<AssignmentFacts, 'id' | 'rules'>,
  personId: string,
): Promise<boolean> =>
  assignment.rules.talk === true && (await isAssignedTo(assignment.id, personId))

/** Keeps what was said, in its order; tells of each whether it was refused. */
export type KeepSayings = (
  ask: Ask,
  speaker: Speaker,
  sayings: readonly (Saying & { id: string })[],
  nowMs: number,
) => Promise<Outcomes>

let keep: KeepSayings | null = null

/** Says who keeps what learners say. Called once, before anything is taken in. */
export function keepSayingsBy(keeper: KeepSayings): void {
  keep = keeper
}

/** Hands on what was said. */
export const keepSayings: KeepSayings = (...said) => {
  if (!keep) throw new Error('Nobody keeps what is said')
  return keep(...said)
}
