// A question for a learner who may not know yet what is right (architecture page, Editions and their keys). What tells it
// is taken out, and what answers name goes by other names, in the order in which this learner finds it: neither an id nor
// an order tells anything. `mix` is what both follow from; the learner must not know it before the question is told whole.
import { markQuestion } from './kinds.ts'
import { makingOf } from './makings.ts'
import type { Mark } from './mark.ts'
import type { Answer, Question } from './schema.ts'

/** Names for this learner by id, and back. What reads the same goes by one name, which stands for the first of it. */
interface Names {
  toName: ReadonlyMap<string, string>
  toId: ReadonlyMap<string, string>
}

const NO_NAMES: Names = { toName: new Map(), toId: new Map() }

function namesOf(question: Question, mix: string): Names {
  const ids = makingOf(question).hiding?.ids(question, mix)
  if (!ids) return NO_NAMES
  const toName = new Map<string, string>()
  const toId = new Map<string, string>()
  for (const [index, alike] of ids.entries()) {
    const name = `as-found-${index + 1}`
    toId.set(name, alike[0]!)
    for (const id of alike) toName.set(id, name)
  }
  return { toName, toId }
}

/**
 * The question without anything that tells what is right. Of `told` answers the learner knows what came of them, so what
 * was said of what they name stays.
 */
export function cutQuestion(
  question: Question,
  mix: string,
  told: readonly Answer[] = [],
): Question {
  const { toName } = namesOf(question, mix)
  const { shelfId: _, ...base } = question
  const verdicts = new Set(told.map((answer) => markQuestion(question, answer).verdict))
  const said = (verdict: 'right' | 'partly' | 'wrong') =>
    verdicts.has(verdict) ? question.feedback[verdict] : ''
  const bare = {
    ...base,
    feedback: { right: said('right'), partly: said('partly'), wrong: said('wrong') },
    explanation: '',
  }
  const own = told.filter(({ kind }) => kind === question.kind)
  const cutting = { nameOf: (id: string) => toName.get(id) ?? id, mix, told: own }
  return { ...makingOf(question).cut(bare, cutting), cut: true }
}

/** The question whole, for a learner who has had it cut: it lies as they have found it. */
export const toldQuestion = (question: Question, mix: string): Question => ({ ...question, mix })

/** An answer in the names that a cut question has for this learner. */
export function answerAsFound(question: Question, mix: string, answer: Answer): Answer {
  const { toName } = namesOf(question, mix)
  return renamed(question, answer, (id) => toName.get(id) ?? id)
}

/** An answer that may be in the names of a cut question, in the question's own ids. */
export function answerInIds(question: Question, mix: string, answer: Answer): Answer {
  const { toId } = namesOf(question, mix)
  return renamed(question, answer, (name) => toId.get(name) ?? name)
}

const renamed = (question: Question, answer: Answer, rename: (id: string) => string): Answer =>
  answer.kind === question.kind
    ? (makingOf(question).hiding?.renamed(answer, rename) ?? answer)
    : answer

/** What of a mark may be told while a try is left: how it stands with what was picked, in the names of the cut question. */
export function markAsFound(question: Question, mix: string, { perPart, ...mark }: Mark): Mark {
  const { toName } = namesOf(question, mix)
  const nameOf = (id: string) => (makingOf(question).hiding?.inParts ? (toName.get(id) ?? id) : id)
  const picked = perPart.filter((part) => part.picked)
  return { ...mark, perPart: picked.map((part) => ({ ...part, id: nameOf(part.id) })) }
}
