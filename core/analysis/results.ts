// What a lesson's results show: who opened, how much was watched, what was answered. Computed from plain records.
import {
  askingOf,
  asksIn,
  cuesInOrder,
  filmsInOrder,
  isPlayed,
  partsInOrder,
  type Lesson,
  type Part,
} from '../lesson/index.ts'
import {
  isByPerson,
  isGraded,
  isSelfJudged,
  pointsAfterTries,
  pointsKept,
  type Answer,
  type Question,
  type Verdict,
} from '../questions/index.ts'
import { itemState } from './itemState.ts'
import { tallyOf } from './tally.ts'
import { coverage, learnersPerBin, normalise, type Span } from '../watching/index.ts'

export interface ResponseRecord {
  questionId: string
  tryNumber: number
  verdict: Verdict
  /** Before the deduction for tries. */
  points: number
  /** Needed for polls and scales alone. */
  answer?: Answer
}

export interface AttemptRecord {
  attemptId: string
  /** Spans by part; only those that count. */
  spans: Record<string, Span[]>
  responses: ResponseRecord[]
}

export interface QuestionOutcome {
  questionId: string
  answered: number
  right: number
  /** Whether it can be right or wrong by itself; a poll cannot, nor what learners or others judge. */
  judged: boolean
  /** Of polls and scales: how many chose each option or step. */
  counts: Record<string, number>
}

export interface AttemptOutcome {
  attemptId: string
  /** The share of all film that was watched, 0 to 1; null where there is none. */
  watched: number | null
  answered: number
  questions: number
  points: number
  max: number
  stretches: Record<string, Span[]>
}

export interface LessonOutcome {
  attempts: AttemptOutcome[]
  questions: QuestionOutcome[]
  /** By part: learners who watched each bin. */
  watching: Record<string, { binMs: number; learners: number[] }>
}

/** How many bins a frond of results is drawn with, at the most. */
export const RESULT_BINS = 240

/** A document never changes, and a whole class asks the same of it. */
const metBy = new WeakMap<Lesson, Question[]>()

/** The questions that learners of this edition meet: part by part, in film order or in that of the quiz. */
export function questionsMet(lesson: Lesson): Question[] {
  const known = metBy.get(lesson)
  if (known) return known
  const met = partsInOrder(lesson).flatMap((part) =>
    placesAsked(lesson, part).map((one) => one.question),
  )
  metBy.set(lesson, met)
  return met
}

/** Where a part asks a question: by a cue at a time, or by a place of its own. */
export interface PlaceAsked {
  id: string
  question: Question
  /** When in the film, in ms; null where there is no time. */
  atMs: number | null
}

/** Where a part asks its questions, in order. */
export function placesAsked(lesson: Lesson, part: Part): PlaceAsked[] {
  const at = (id: string, questionId: string, atMs: number | null) => ({
    id,
    question: lesson.questions[questionId]!,
    atMs,
  })
  if (!isPlayed(part)) return asksIn(part).map(({ id, questionId }) => at(id, questionId, null))
  return cuesInOrder(lesson, part.id).flatMap((cue) =>
    cue.kind === 'question' ? [at(cue.id, cue.questionId, cue.atMs)] : [],
  )
}

/** One learner's answers to a question, in the order of their tries. */
export function triesOf<R extends ResponseRecord>(
  question: Question,
  responses: readonly R[],
): R[] {
  return responses
    .filter(({ questionId }) => questionId === question.id)
    .sort((a, b) => a.tryNumber - b.tryNumber)
}

/** One learner's answers by question, so that a whole class need not look through all of them for each. */
export function byQuestion<R extends ResponseRecord>(responses: readonly R[]): Map<string, R[]> {
  const groups = new Map<string, R[]>()
  for (const response of responses) {
    const group = groups.get(response.questionId)
    if (group) group.push(response)
    else groups.set(response.questionId, [response])
  }
  return groups
}

/** The points that count for one question out of all its responses. */
export function questionScore(question: Question, responses: readonly ResponseRecord[]): number {
  const points = triesOf(question, responses).map((response) =>
    pointsAfterTries(response.points, question.tryPenalty, response.tryNumber),
  )
  return pointsKept(points, question.keep)
}

/**
 * Share of the marks that could be had so far, 0 to 1: over the questions that were answered, and those whose cues, or
 * whose items in a quiz, lie behind the learner (`passed`). 0 before the first.
 */
export function scoreSoFar(
  lesson: Lesson,
  responses: readonly ResponseRecord[],
  passed: Readonly<Record<string, unknown>>,
): number {
  const answered = new Set(responses.map(({ questionId }) => questionId))
  for (const id of Object.keys(passed)) {
    const asking = askingOf(lesson, id)
    if (asking) answered.add(asking.questionId)
  }
  const behind = [...answered].flatMap((id) => lesson.questions[id] ?? [])
  const max = behind.reduce((sum, question) => sum + question.points, 0)
  const points = behind.reduce((sum, question) => sum + questionScore(question, responses), 0)
  return max > 0 ? points / max : 0
}

/** One learner's line of the results. */
export function attemptOutcome(lesson: Lesson, attempt: AttemptRecord): AttemptOutcome {
  const questions = questionsMet(lesson)
  const answers = byQuestion(attempt.responses)
  const parts = filmsInOrder(lesson)
  const totalMs = parts.reduce((sum, part) => sum + (part.durationMs ?? 0), 0)
  const watchedMs = parts.reduce((sum, part) => {
    const durationMs = part.durationMs ?? 0
    return sum + coverage(attempt.spans[part.id] ?? [], durationMs) * durationMs
  }, 0)
  return {
    attemptId: attempt.attemptId,
    watched: totalMs > 0 ? watchedMs / totalMs : null,
    answered: questions.filter((question) => answers.has(question.id)).length,
    questions: questions.length,
    points: questions.reduce(
      (sum, question) => sum + questionScore(question, answers.get(question.id) ?? []),
      0,
    ),
    max: questions.reduce((sum, question) => sum + question.points, 0),
    stretches: Object.fromEntries(
      Object.entries(attempt.spans).map(([partId, spans]) => [partId, normalise(spans)]),
    ),
  }
}

/** The results of a lesson's attempts, all on the same edition. */
export function lessonOutcome(lesson: Lesson, attempts: readonly AttemptRecord[]): LessonOutcome {
  return {
    attempts: attempts.map((attempt) => attemptOutcome(lesson, attempt)),
    questions: questionsMet(lesson).map((question) => questionOutcome(question, attempts)),
    watching: Object.fromEntries(
      filmsInOrder(lesson).map((part) => [
        part.id,
        watchingOf(part.id, part.durationMs ?? 0, attempts),
      ]),
    ),
  }
}

function questionOutcome(question: Question, attempts: readonly AttemptRecord[]): QuestionOutcome {
  const answers = attempts.flatMap(({ responses }) => {
    const own = triesOf(question, responses)
    return own.length > 0 ? [own] : []
  })
  return {
    questionId: question.id,
    answered: answers.length,
    right: answers.filter((responses) => itemState(question, responses) === 'right').length,
    judged: isGraded(question) && !isByPerson(question) && !isSelfJudged(question),
    counts: tallyOf(
      answers.flatMap((responses) => {
        const { answer } = responses.at(-1)!
        return answer ? [{ answer }] : []
      }),
    ).counts,
  }
}

function watchingOf(partId: string, durationMs: number, attempts: readonly AttemptRecord[]) {
  const binMs = Math.max(1000, Math.ceil(durationMs / RESULT_BINS))
  const spans = attempts.map((attempt) => attempt.spans[partId] ?? [])
  return { binMs, learners: learnersPerBin(spans, durationMs, binMs) }
}
