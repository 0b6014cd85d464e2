// How much of each question a learner may be told by now: a class may hold it back until a time, a quiz until it is handed
// in, and while a try is left what is right stays untold. Told too early, an answer could be copied.
import { askersOf, tellsAtEnd, type Lesson, type Telling } from '../lesson/index.ts'
import { isFinal, isSettled, type Verdict } from '../questions/index.ts'
import { heldBackUntil, toldFrom, type AssignmentRules } from './assignments.ts'
import { phaseAt, type AssignmentTimes } from './standing.ts'

/**
 * What the class says of all its questions: `free` nothing; `silent` nothing may be told; `afterTries` of each question
 * once no try is left; `whole` everything, since no answer counts any more.
 */
export type Stage = 'free' | 'silent' | 'afterTries' | 'whole'

/** The rules and times under which an attempt is made; null where it was opened by a link. */
export type Under = { rules: AssignmentRules; times: AssignmentTimes } | null

export function stageOf(under: Under, now: Date): Stage {
  if (!under || !holdsBack(under)) return 'free'
  if (heldBackUntil(under.rules, under.times, now) !== null) return 'silent'
  return phaseAt(under.times, now) === 'closed' ? 'whole' : 'afterTries'
}

/** What one learner did, as far as telling goes by it. */
export interface DoneSoFar {
  finishedParts: readonly string[]
  responses: readonly { questionId: string; verdict: Verdict }[]
}

/** The part that asks each question, by question. */
export type AskedIn = ReadonlyMap<string, string>

export const askedIn = (lesson: Pick<Lesson, 'parts' | 'cues'>): AskedIn =>
  new Map(askersOf(lesson).map(({ questionId, partId }) => [questionId, partId]))

/** Whether a part tells nothing before it was handed in. */
function waits({ parts }: Lesson, partId: string | undefined): boolean {
  const part = partId === undefined ? undefined : parts[partId]
  return part !== undefined && tellsAtEnd(part)
}

/** Whether the class holds back what is right until a time: then it is told once, whatever attempt it was told in. */
export const holdsBack = (under: Under): boolean =>
  under !== null && !under.rules.marksOffline && toldFrom(under.rules, under.times) !== null

/** Whether there is a time at which this question is not told whole to whoever learns under these rules. */
export function isEverHeldBack(
  lesson: Lesson,
  under: Under,
  questionId: string,
  asked: AskedIn = askedIn(lesson),
): boolean {
  if (under?.rules.marksOffline) return false
  return holdsBack(under) || waits(lesson, asked.get(questionId))
}

/** How much of a question may be told now. `stage` is of now, see `stageOf`. */
export function tellingOf(
  lesson: Lesson,
  under: Under,
  stage: Stage,
  done: DoneSoFar,
  questionId: string,
  asked: AskedIn = askedIn(lesson),
): Telling {
  if (!isEverHeldBack(lesson, under, questionId, asked)) return 'free'
  if (stage === 'silent' || stage === 'whole') return stage
  const partId = asked.get(questionId)
  if (waits(lesson, partId) && !done.finishedParts.includes(partId!)) return 'silent'
  const given = done.responses.filter((response) => response.questionId === questionId)
  const right = given.some(({ verdict }) => isSettled(verdict))
  return isFinal(lesson.questions[questionId]!, right, given.length) ? 'whole' : 'verdict'
}
