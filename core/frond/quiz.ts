// A quiz drawn as a frond: it has no time, only an order, so each question takes the same length of the stem.
import { sectionsInOrder, type Part, type QuizPart } from '../lesson/index.ts'

/** So much of the stem belongs to each question; called ms because that is what a frond measures in. */
const STEP_MS = 1000

export interface QuizOnFrond {
  /** The length of the stem. */
  durationMs: number
  leaves: { itemId: string; questionId: string; atMs: number }[]
  /** The sections that have a name, where each begins. */
  sections: { sectionId: string; title: string; atMs: number }[]
}

/** How a part that does not play is drawn as a frond; null for kinds that are not drawn so. */
export function partOnFrond(part: Part): QuizOnFrond | null {
  switch (part.kind) {
    case 'quiz':
      return quizOnFrond(part)
    case 'film':
    case 'page':
    case 'still':
    case 'deck':
    case 'chronicle':
      return null
  }
}

export function quizOnFrond(quiz: QuizPart): QuizOnFrond {
  const drawn: QuizOnFrond = { durationMs: 0, leaves: [], sections: [] }
  for (const { section, items } of sectionsInOrder(quiz)) {
    const { id: sectionId, title } = section
    if (title !== '') drawn.sections.push({ sectionId, title, atMs: drawn.durationMs })
    for (const { id: itemId, questionId } of items) {
      drawn.leaves.push({ itemId, questionId, atMs: drawn.durationMs + STEP_MS / 2 })
      drawn.durationMs += STEP_MS
    }
  }
  return drawn
}
