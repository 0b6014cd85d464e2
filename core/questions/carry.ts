// What of a question stays when it becomes one of another kind.
import { inOrder, isBlank } from '../fields/index.ts'
import type { QuestionBase } from './base.ts'
import { makingOf } from './makings.ts'
import type { Question } from './schema.ts'

/** A list of texts that several kinds have: options, or things to order or tick. */
const linesOf = (question: Question) => makingOf(question).lines?.(question) ?? null

/** The common fields of a question, without those that only its kind has. */
function baseOf(question: Question): QuestionBase {
  const { id, stem, hint, feedback, explanation, points, tries, tryPenalty, keep, evidence } =
    question
  const { materialId, shelfId } = question
  return {
    id,
    stem,
    hint,
    feedback,
    explanation,
    points,
    tries,
    tryPenalty,
    keep,
    evidence,
    ...(materialId === undefined ? {} : { materialId }),
    ...(shelfId === undefined ? {} : { shelfId }),
  }
}

/** The question as another kind: `make` makes one with the same words; a list of texts goes along where both have one. */
export function carriedOver(old: Question, make: (base: QuestionBase) => Question): Question {
  // What only asked had no points to give; where the new kind gives none either, it says so itself.
  const question = make({ ...baseOf(old), points: old.points === 0 ? 1 : old.points })
  const [from, to] = [linesOf(old), linesOf(question)]
  const written = inOrder(Object.values(from ?? {})).filter(({ text }) => !isBlank(text))
  if (!to || written.length === 0) return question
  const blanks = inOrder(Object.values(to))
  for (const [index, { id, order, text }] of written.entries()) {
    const blank = blanks[index] ?? { ...blanks[blanks.length - 1]!, right: false }
    if (blanks[index]) delete to[blank.id]
    to[id] = { ...blank, id, order, text }
  }
  // An empty one that was there to begin with is of no use beside those that came along.
  for (const { id } of blanks)
    if (Object.hasOwn(to, id) && !written.some((line) => line.id === id)) delete to[id]
  return question
}
