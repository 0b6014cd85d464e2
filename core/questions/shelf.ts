// A question as it is kept on the question shelf: all that is its own, and nothing of the lesson that it stood in.
import { withoutStretches } from '../fields/index.ts'
import type { Question } from './schema.ts'

/** The question without its evidence, its shared material and the stretches of film in its texts. */
export function forShelf(question: Question): Question {
  const { materialId: _material, shelfId: _shelf, ...own } = question
  return withoutStretches({ ...own, evidence: null } as Question, () => true)
}
