// From the records of learners to what the analysis of questions asks for.
import { partsInOrder, type Lesson } from '../lesson/index.ts'
import {
  isGraded,
  isSelfJudged,
  readableAnswer,
  type Answer,
  type Question,
  chosenIn,
  optionsOf,
} from '../questions/index.ts'
import { mean } from '../statistics/index.ts'
import { SEEN_SHARE } from '../watching/index.ts'
import type { Asked, Sitting } from './questionAnalysis.ts'
import { byQuestion, placesAsked, questionScore, triesOf, type ResponseRecord } from './results.ts'

/** A response with what the analysis wants to know of it. */
export interface AnalysedResponse extends ResponseRecord {
  answer: Answer
  tookMs: number | null
  /** The share of the evidence that had been watched by then; null where nobody knows. */
  seenShare: number | null
}

export interface AskedPlace extends Asked {
  question: Question
  partId: string
  /** What asks it: a cue, an item, a block, a pin. */
  placeId: string
  atMs: number | null
  /** From 1, over the whole lesson. */
  number: number
  /** The words of its options, in their order. */
  labels: Record<string, string>
}

/** The questions of a lesson that bring points, in the order in which learners meet them. */
export function askedIn(lesson: Lesson): AskedPlace[] {
  return partsInOrder(lesson)
    .flatMap((part) => placesAsked(lesson, part).map((place) => ({ ...place, partId: part.id })))
    .filter(({ question }) => isGraded(question) && !isSelfJudged(question) && question.points > 0)
    .map(({ id: placeId, question, atMs, partId }, index) => {
      const options = optionsOf(question)
      return {
        id: question.id,
        max: question.points,
        question,
        partId,
        placeId,
        atMs,
        number: index + 1,
        options: options.map(({ id, right }) => ({ id, right })),
        labels: Object.fromEntries(options.map(({ id, label }) => [id, label])),
      }
    })
}

/** What one learner did with each of these questions; the options and the time are those of the first try. */
export function sittingOf(
  asked: readonly AskedPlace[],
  responses: readonly AnalysedResponse[],
): Sitting {
  const answers = byQuestion(responses)
  return Object.fromEntries(
    asked.flatMap(({ id, question }) => {
      const tries = triesOf(question, answers.get(id) ?? [])
      const [first] = tries
      if (!first) return []
      const outcome = {
        points: questionScore(question, tries),
        picked: chosenIn(first.answer),
        tries: tries.length,
        tookMs: first.tookMs,
        hadSeen: first.seenShare === null ? null : first.seenShare >= SEEN_SHARE,
      }
      return [[id, outcome]]
    }),
  )
}

/** The share of its points that was earned by those who answered it, by question; null where nobody did. */
export function difficulties(
  asked: readonly AskedPlace[],
  sittings: readonly Sitting[],
): Record<string, number | null> {
  return Object.fromEntries(
    asked.map(({ id, max }) => {
      const earned = mean(sittings.flatMap((sitting) => sitting[id]?.points ?? []))
      return [id, earned === null ? null : earned / max]
    }),
  )
}

export interface Said {
  text: string
  count: number
}

/** What was written most often and was not right, as first tries, of questions without options. */
export function oftenSaid(
  { question, options }: AskedPlace,
  all: readonly (readonly AnalysedResponse[])[],
  most = 5,
): Said[] {
  if (options.length > 0 || !['shortText', 'number', 'gaps'].includes(question.kind)) return []
  const counts = new Map<string, number>()
  for (const responses of all) {
    const [first] = triesOf(question, responses)
    if (!first || first.verdict === 'right') continue
    const text = readableAnswer(question, first.answer).trim().toLowerCase()
    if (text !== '') counts.set(text, (counts.get(text) ?? 0) + 1)
  }
  return [...counts]
    .map(([text, count]) => ({ text, count }))
    .sort((a, b) => b.count - a.count || a.text.localeCompare(b.text))
    .slice(0, most)
}
