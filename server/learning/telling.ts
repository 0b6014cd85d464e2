// What one learner may be told of the questions, and what is held back from them: the lesson is cut for them here, answers
// come and go in the names that they know, and what has been told is noted before it is sent.
import { createHmac } from 'node:crypto'
import type { Attempt } from '@fernbrake/core/contract'
import {
  askedIn,
  holdsBack,
  isEverHeldBack,
  stageOf,
  tellingOf,
  type DoneSoFar,
  type Under,
} from '@fernbrake/core/classes'
import { cutLesson, type Lesson, type Telling } from '@fernbrake/core/lesson'
import {
  answerAsFound,
  answerInIds,
  markAsFound,
  markQuestion,
  type Answer,
} from '@fernbrake/core/questions'
import { judgedFor, knownOf, type Judged, type Progress } from '@fernbrake/core/routes'
import type { Ask } from '../database/connect.ts'
import { timesOf, type AssignmentFacts } from './queries/assignments.ts'
import type { AttemptFacts } from './queries/attemptFacts.ts'
import type { Answered, Response } from './queries/responses.ts'
import { readTold, storeTold } from './queries/told.ts'

type PastResponse = Attempt['progress']['responses'][number]

/** Whether some question of an attempt is held back at some time, and what is told of each now. */
export interface Holding {
  lesson: Lesson
  attemptId: string
  isHeldBack(questionId: string): boolean
  /** What was told in another attempt for the same assignment is told. */
  isToldInAll: boolean
  mixOf(questionId: string): string
  tellingOf(questionId: string, done: DoneSoFar): Telling
}

export function underOf(assignment: AssignmentFacts | null): Under {
  return assignment && { rules: assignment.rules, times: timesOf(assignment) }
}

/**
 * Null where everything is told from the beginning: then nothing has to be cut, noted or asked. `isSending`: the device may
 * have more on its way, so that even after closing nothing is told whole to which another try may come.
 */
export function holdingOf(
  { id, mix }: AttemptFacts,
  lesson: Lesson,
  under: Under,
  { now = new Date(), isSending = false }: { now?: Date; isSending?: boolean } = {},
): Holding | null {
  const asked = askedIn(lesson)
  const held = new Set(
    Object.keys(lesson.questions).filter((one) => isEverHeldBack(lesson, under, one, asked)),
  )
  if (held.size === 0) return null
  const reached = stageOf(under, now)
  const stage = isSending && reached === 'whole' ? 'afterTries' : reached
  return {
    lesson,
    attemptId: id,
    isHeldBack: (questionId) => held.has(questionId),
    isToldInAll: holdsBack(under),
    // One question’s order tells nothing of another’s.
    mixOf: (questionId) => createHmac('sha256', mix).update(questionId).digest('base64url'),
    tellingOf: (questionId, done) => tellingOf(lesson, under, stage, done, questionId, asked),
  }
}

/** An answer that a device sent, in the ids of the lesson as it is stored. */
export function answerSent(holding: Holding | null, questionId: string, answer: Answer): Answer {
  const question = holding?.lesson.questions[questionId]
  return holding && question && holding.isHeldBack(questionId)
    ? answerInIds(question, holding.mixOf(questionId), answer)
    : answer
}

/** What a learner did, as telling goes by it and as their page shows it. */
export interface DoneHere extends DoneSoFar {
  responses: readonly Response[]
}

/** Something would be told for the first time where nothing may be yet. */
export class WouldTellMore extends Error {}

/**
 * The lesson for this learner. What is told whole is noted first: no answer to it counts from then on. With `only`, no
 * other questions of it are sent. Throws `WouldTellMore` where more would be told than before, and may not.
 */
export async function lessonFor(
  ask: Ask,
  holding: Holding | null,
  lesson: Lesson,
  done: DoneHere,
  { mayTellMore = true, only }: { mayTellMore?: boolean; only?: ReadonlySet<string> } = {},
): Promise<Lesson> {
  if (!holding) return lesson
  const telling = new Map(
    Object.keys(lesson.questions).map((id) => [id, holding.tellingOf(id, done)] as const),
  )
  const whole = [...telling].filter(([, how]) => how === 'whole').map(([id]) => id)
  const known = await readTold(ask, holding.attemptId, false)
  const more = whole.filter((id) => !known.has(id) && (only?.has(id) ?? true))
  if (more.length > 0 && !mayTellMore) throw new WouldTellMore()
  await storeTold(ask, holding.attemptId, more)
  return cutLesson(lesson, {
    tellingOf: (id) => telling.get(id)!,
    mixOf: holding.mixOf,
    answersTo: (id) =>
      done.responses.filter(({ questionId }) => questionId === id).map(({ answer }) => answer),
  })
}

/** An earlier answer as its learner may see it. */
export function responseFor(
  holding: Holding | null,
  done: DoneHere,
  response: Response,
): PastResponse {
  const { cueId, questionId, tryNumber, answer, verdict, points, mark } = response
  const marked = mark && { points: mark.points, levels: mark.levels, comment: mark.comment }
  const whole = {
    cueId,
    questionId,
    tryNumber,
    answer,
    verdict,
    points,
    ...(marked ? { marked } : {}),
  }
  const question = holding?.lesson.questions[questionId]
  if (!holding || !question) return whole
  const telling = holding.tellingOf(questionId, done)
  if (telling === 'free' || telling === 'whole') return whole
  const mix = holding.mixOf(questionId)
  const found = { ...whole, answer: answerAsFound(question, mix, answer) }
  if (telling === 'silent') {
    const { marked: _, ...unmarked } = found
    return { ...unmarked, verdict: 'unmarked', points: 0 }
  }
  return { ...found, perPart: markAsFound(question, mix, markQuestion(question, answer)).perPart }
}

/**
 * What the learner's device may not be able to judge by itself; null where it can judge all. A device may know less than
 * it could be told by now, so all that is ever held back counts as not known there.
 */
export function judgedBy(
  holding: Holding | null,
  lesson: Lesson,
  progress: Progress & { finishedParts: readonly string[] },
  places: readonly string[] = [],
): Judged | null {
  if (!holding) return null
  const cut = cutLesson(lesson, {
    tellingOf: (id) => (holding.isHeldBack(id) ? 'silent' : 'free'),
    mixOf: holding.mixOf,
    answersTo: () => [],
  })
  const here = knownOf(cut, progress)
  return judgedFor(lesson, here.facts, knownOf(lesson, progress), progress.finishedParts, places)
}

/** As the learner may see them: of what is not told yet nothing counts, so no sum tells it. */
export function asToldTo(
  lesson: Lesson,
  under: Under,
  done: Omit<DoneSoFar, 'responses'> & { responses: readonly Answered[] },
): readonly Answered[] {
  const { responses } = done
  const asked = askedIn(lesson)
  const held = responses.filter(({ questionId }) =>
    isEverHeldBack(lesson, under, questionId, asked),
  )
  if (held.length === 0) return responses
  const stage = stageOf(under, new Date())
  return responses.map((response) => {
    const { questionId } = response
    const isSilent = tellingOf(lesson, under, stage, done, questionId, asked) === 'silent'
    return isSilent
      ? { ...response, verdict: 'unmarked' as const, points: 0, isMarked: false }
      : response
  })
}
