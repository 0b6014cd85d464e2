// The cut face of an edition: what a learner may have who is not to know yet what is right (architecture page, Editions and
// their keys). This is the one place where a lesson is cut; what there is to cut in a question, its kind knows.
import { cutQuestion, toldQuestion, type Answer } from '../questions/index.ts'
import type { Lesson } from './schema.ts'

/**
 * How much of a question is told: `free` all of it, from the beginning; `silent` nothing; `verdict` what came of each
 * answer, though not yet what is right, since a try is left; `whole` all of it by now.
 */
export type Telling = 'free' | 'silent' | 'verdict' | 'whole'

/** How each question is told to one learner. */
export interface Cut {
  tellingOf(questionId: string): Telling
  /** What its mixing follows from; the learner is not to know it as long as the question is cut. */
  mixOf(questionId: string): string
  /** The learner's answers to it so far. */
  answersTo(questionId: string): readonly Answer[]
}

/** The lesson as one learner may have it. */
export function cutLesson(lesson: Lesson, cut: Cut): Lesson {
  const questions = Object.values(lesson.questions).map((question) => {
    const { id } = question
    switch (cut.tellingOf(id)) {
      case 'free':
        return [id, question] as const
      case 'whole':
        return [id, toldQuestion(question, cut.mixOf(id))] as const
      case 'silent':
        return [id, cutQuestion(question, cut.mixOf(id))] as const
      case 'verdict':
        return [id, cutQuestion(question, cut.mixOf(id), cut.answersTo(id))] as const
    }
  })
  return { ...lesson, questions: Object.fromEntries(questions) }
}
