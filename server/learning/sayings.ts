// What learners say to each other comes with their records, and is handed on to whoever keeps it: the talk.
import type { Outcomes, Saying } from '@fernbrake/core/records'
import type { Lesson } from '@fernbrake/core/lesson'
import type { Ask } from '../database/connect.ts'
import { isTalkedAbout, talkByLink, talkOfClass, type TalkAbout } from '../lessons/queries/talks.ts'
import { isAssignedTo, type AssignmentFacts } from './queries/assignments.ts'
import type { AttemptFacts } from './queries/attemptFacts.ts'

/** A learner who says something. */
export interface Speaker {
  /** Null where there is no talk for this learner. */
  talk: TalkAbout | null
  personId: string
  lesson: Lesson
}

/**
 * The talk that whoever made an attempt takes part in now; null where there is none. In a class: where it may talk, and
 * the lesson is theirs to learn still. By a link: where those who come by it may talk.
 */
export async function talkOf(
  ask: Ask,
  {
    assignmentId,
    lessonId,
    personId,
  }: Pick<AttemptFacts, 'assignmentId' | 'lessonId' | 'personId'>,
  assignment: Pick<AssignmentFacts, 'rules'> | null,
): Promise<TalkAbout | null> {
  if (assignmentId === null)
    return (await isTalkedAbout(ask, lessonId)) ? talkByLink(lessonId) : null
  const talks = assignment?.rules.talk === true && (await isAssignedTo(assignmentId, personId))
  return talks ? talkOfClass(assignmentId) : null
}

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
