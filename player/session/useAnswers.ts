// What a learner has answered so far, and giving an answer: marked here at once, recorded through the host.
import { computed, onScopeDispose, shallowRef } from 'vue'
import { questionScore, questionsMet } from '@fernbrake/core/analysis'
import type { Lesson, QuestionCue } from '@fernbrake/core/lesson'
import type { AnswerResult } from '@fernbrake/core/playback'
import {
  isByPerson,
  HELP_AFTER_TRIES,
  isFinal,
  isGraded,
  isSettledHere,
  isUnsaid,
  markQuestion,
  type Answer,
  type Mark,
  type Question,
} from '@fernbrake/core/questions'
import { isoTime, nowMs } from '../clock.ts'
import type { Host } from '../hosts/Host.ts'
import {
  isPending,
  markOf,
  wasRight,
  withTold,
  type GivenAnswer,
  type PastResponse,
} from './told.ts'

export type { GivenAnswer }

/** What only asks, or waits for a person, is done once it was answered: another try can earn nothing. */
const isDoneOnceAnswered = (question: Question): boolean =>
  !isGraded(question) || isByPerson(question)

/**
 * What playback must know of an answer. While nobody is told what came of it, an end of trying must not tell.
 */
function resultOf(question: Question, right: boolean, tries: number, told: boolean): AnswerResult {
  const isUntold = !told || isUnsaid(question)
  const isFree = isUntold && question.tries === 0 && tries >= HELP_AFTER_TRIES
  const final = isDoneOnceAnswered(question) || isFinal(question, told && right, tries)
  return { right, final, tries, ...(isFree ? { free: true } : {}) }
}

/** Whether a question is worth coming back to: it was not answered, or another try can still earn something. */
export const canStillAnswer = (
  question: Question,
  { triesUsed, final }: QuestionStanding,
): boolean => triesUsed === 0 || (!isDoneOnceAnswered(question) && !final)

/** What playback must know of earlier answers, by cue. */
export function resultsOf(
  lesson: Lesson,
  responses: readonly PastResponse[],
  told = true,
): Record<string, AnswerResult> {
  const results: Record<string, AnswerResult> = {}
  for (const { cueId, questionId, verdict, tryNumber } of responses) {
    const question = lesson.questions[questionId]
    if (!question) continue
    const right = isSettledHere(question, verdict) || results[cueId]?.right === true
    results[cueId] = resultOf(question, right, tryNumber, told)
  }
  return results
}

/** How a question stands for this learner. */
export interface QuestionStanding {
  triesUsed: number
  /** Null for no limit. */
  triesLeft: number | null
  right: boolean
  final: boolean
  lastAnswer: Answer | null
  lastMark: Mark | null
  /** Whether the server has still to say what came of the last answer. */
  pending: boolean
}

/**
 * How a question stands after these answers to it, in their order. While learners are not told what came of them, none
 * is final before the tries are used up: else the end of trying would tell.
 */
export function standingOf(
  question: Question,
  given: readonly GivenAnswer[],
  told = true,
): QuestionStanding {
  const last = given.at(-1)
  const right = wasRight(question, given)
  return {
    triesUsed: given.length,
    triesLeft: question.tries > 0 ? Math.max(0, question.tries - given.length) : null,
    right,
    final: isFinal(question, told && right, given.length),
    lastAnswer: last?.answer ?? null,
    lastMark: last ? markOf(question, last) : null,
    pending: last ? isPending(question, last) : false,
  }
}

export interface Score {
  points: number
  max: number
}

export function useAnswers(
  host: Host,
  lesson: Lesson,
  earlier: readonly PastResponse[],
  isTold: () => boolean = () => true,
  /** False where not even the sum of the points may be told. */
  tellsScore = true,
) {
  const responses = shallowRef<PastResponse[]>([...earlier])
  onScopeDispose(host.onTold((told) => (responses.value = withTold(responses.value, told))))

  const standing = (questionId: string): QuestionStanding =>
    standingOf(
      lesson.questions[questionId]!,
      responses.value.filter((response) => response.questionId === questionId),
      isTold(),
    )

  /** Marks and records an answer; null where no try is left. */
  function give(
    { id: cueId, questionId }: Pick<QuestionCue, 'id' | 'questionId'>,
    answer: Answer,
    /** How long the question has been open, in ms. */
    waitedMs?: number,
  ): AnswerResult | null {
    const question = lesson.questions[questionId]!
    if (standing(questionId).final) return null
    const { verdict, points } = markQuestion(question, answer)
    const tryNumber = standing(questionId).triesUsed + 1
    const answeredAt = isoTime(nowMs())
    const waited = waitedMs === undefined ? {} : { waitedMs: Math.round(waitedMs) }
    const about = { id: host.newId(), cueId, questionId, answeredAt, ...waited }
    host.record({ kind: 'response', ...about, answer })
    responses.value = [
      ...responses.value,
      { cueId, questionId, tryNumber, answer, verdict, points },
    ]
    void host.flush()
    const right = isSettledHere(question, verdict)
    const result = resultOf(question, right, tryNumber, isTold())
    return isPending(question, { verdict }) ? { ...result, pending: true } : result
  }

  /**
   * Points so far, and those that could be had, over all questions that are met; as the results count them. Null while it
   * is not to be told, or not known.
   */
  const score = computed(() => scoreOf(questionsMet(lesson)))

  /** The same over some questions alone, such as those of one part. */
  function scoreOf(questions: readonly Question[]): Score | null {
    const isUnknown = responses.value.some((response) => {
      const question = lesson.questions[response.questionId]
      return question !== undefined && isPending(question, response)
    })
    if (!tellsScore || isUnknown) return null
    return {
      points: questions.reduce((sum, one) => sum + questionScore(one, responses.value), 0),
      max: questions.reduce((sum, one) => sum + one.points, 0),
    }
  }

  return { responses, standing, give, score, scoreOf }
}
