// The answers that wait for a person, in the order in which they are gone through.

export interface InPile {
  responseId: string
  questionId: string
  /** Stands for the learner, with or without a name. */
  learner: { number: number; name: string | null }
  isMarked: boolean
}

export type PileOrder = 'question' | 'learner'

const byLearner = (a: InPile, b: InPile) =>
  a.learner.name !== null && b.learner.name !== null
    ? a.learner.name.localeCompare(b.learner.name) || a.learner.number - b.learner.number
    : a.learner.number - b.learner.number

/** One question after the other, or one learner after the other; `questions` are in the order of the lesson. */
export function inPileOrder<A extends InPile>(
  answers: readonly A[],
  order: PileOrder,
  questions: readonly string[],
): A[] {
  const place = new Map(questions.map((id, index) => [id, index]))
  const byQuestion = (a: A, b: A) =>
    (place.get(a.questionId) ?? Infinity) - (place.get(b.questionId) ?? Infinity)
  const compare =
    order === 'question'
      ? (a: A, b: A) => byQuestion(a, b) || byLearner(a, b)
      : (a: A, b: A) => byLearner(a, b) || byQuestion(a, b)
  return [...answers].sort(compare)
}

/** The next that nobody has marked, after this one and from the beginning again; null once all are. */
export function nextUnmarked<A extends InPile>(
  answers: readonly A[],
  after: string | null,
): A | null {
  const at = answers.findIndex(({ responseId }) => responseId === after)
  const inTurn = [...answers.slice(at + 1), ...answers.slice(0, at + 1)]
  return inTurn.find(({ isMarked, responseId }) => !isMarked && responseId !== after) ?? null
}

/** FNV-1a over UTF-16 units, 32 bits. */
function hash(text: string): number {
  let value = 0x811c9dc5
  for (let at = 0; at < text.length; at += 1)
    value = Math.imul(value ^ text.charCodeAt(at), 0x01000193) >>> 0
  return value
}

/**
 * A number from 1 for each of these ids, the same whenever it is asked for, in an order that says nothing of theirs: what
 * learners are called while their names are hidden.
 */
export function pseudonyms(ids: readonly string[], salt: string): Map<string, number> {
  const inOrder = [...new Set(ids)]
    .map((id) => ({ id, at: hash(`${salt}/${id}`) }))
    .sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1))
  return new Map(inOrder.map(({ id }, index) => [id, index + 1]))
}
