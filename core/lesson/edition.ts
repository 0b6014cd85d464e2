// A draft as an edition holds it.
import {
  comparesWords,
  withOthers,
  wordsListed,
  wordsOf,
  type Question,
} from '../questions/index.ts'
import { withoutHidden } from './hidden.ts'
import type { Lesson } from './schema.ts'

/** All words that the films of a lesson say. */
const wordsSaid = ({ scripts }: Pick<Lesson, 'scripts'>): Set<string> =>
  wordsOf(
    Object.values(scripts).flatMap(({ lines }) => Object.values(lines).map(({ text }) => text)),
  )

/**
 * A question as it is marked in this lesson: what its films say, and what else is a word of its language as far as `words`
 * knows, is no slip of another word.
 */
export const questionIn = (
  lesson: Pick<Lesson, 'scripts'>,
  question: Question,
  words: readonly string[] = [],
): Question =>
  comparesWords(question) ? withOthers(question, [...wordsSaid(lesson), ...words]) : question

/** All words that the questions of a lesson list as right and let slips pass in. */
export const wordsAsked = ({ questions }: Pick<Lesson, 'questions'>): Set<string> =>
  new Set(Object.values(questions).flatMap((question) => [...wordsListed(question)]))

/**
 * What is published of a draft: without hidden parts, and with its questions as they are marked. `words` are words of its
 * language near those that are asked for, as compared.
 */
export function asEdition(draft: Lesson, words: readonly string[] = []): Lesson {
  const lesson = withoutHidden(draft)
  const typed = Object.values(lesson.questions).filter(comparesWords)
  if (typed.length === 0) return lesson
  const known = [...wordsSaid(lesson), ...words]
  const questions = { ...lesson.questions }
  for (const question of typed) questions[question.id] = withOthers(question, known)
  return { ...lesson, questions }
}
