// The sections of a quiz, and in which order a learner meets what they ask.
import { shuffled } from '../../../chance/index.ts'
import { inOrder } from '../../../fields/index.ts'
import type { QuizItem, QuizPart, QuizSection } from './schema.ts'

/** A quiz's sections in order, each with its items in theirs. */
export interface SectionOfItems {
  section: QuizSection
  items: QuizItem[]
}

/** The sections of a quiz as they are written; with a seed, as the learner with that seed meets them. */
export function sectionsInOrder(quiz: QuizPart, seed?: string): SectionOfItems[] {
  const items = inOrder(Object.values(quiz.items))
  return inOrder(Object.values(quiz.sections)).map((section) => {
    const own = items.filter(({ sectionId }) => sectionId === section.id)
    const mixes = quiz.shuffle && seed !== undefined
    return { section, items: mixes ? shuffled(own, `${seed} ${section.id}`) : own }
  })
}
