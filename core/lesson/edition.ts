// A draft as an edition holds it.
import { withOthers, wordsOf, type Question } from '../questions/index.ts'
import { withoutHidden } from './hidden.ts'
import type { Lesson } from './schema.ts'

/** All words that the films of a lesson say. */
const wordsSaid = ({ scripts }: Pick<Lesson, 'scripts'>): Set<string> =>
  wordsOf(
    Object.values(scripts).flatMap(({ lines }) => Object.values(lines).map(({ text }) => text)),
  )

/** A question as it is marked in this lesson: what its films say is no slip of another word. */
export const questionIn = (lesson: Pick<Lesson, 'scripts'>, question: Question): Question =>
  isTyped(question) ? withOthers(question, wordsSaid(lesson)) : question

const isTyped = ({ kind }: Question) => kind === 'shortText' || kind === 'gaps'

/** What is published of a draft: without hidden parts, and with its questions as they are marked. */
export function asEdition(draft: Lesson): Lesson {
  const lesson = withoutHidden(draft)
  const typed = Object.values(lesson.questions).filter(isTyped)
  if (typed.length === 0) return lesson
  const words = wordsSaid(lesson)
  const questions = { ...lesson.questions }
  for (const question of typed) questions[question.id] = withOthers(question, words)
  return { ...lesson, questions }
}
