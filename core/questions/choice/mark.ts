// Marks a choice question. Pure and total: whatever the answer is, it gets a verdict.
import { verdictOf, type Mark, type PartMark } from '../mark.ts'
import type { ChoiceOption, ChoiceQuestion } from './schema.ts'

/**
 * Marks any value as an answer to a choice question.
 * One right: full points for a right pick, otherwise none. Several: all-or-nothing, or each right pick +1/R
 * and, where penalised, each wrong one −1/W, never below 0 (computation page, Marking).
 * What is not an answer of this kind, an unknown option, or more than one pick where one is asked, earns nothing.
 */
export function markChoice(question: ChoiceQuestion, answer: unknown): Mark {
  const picked = pickedOptions(question, answer)
  const options = Object.values(question.options)
  const perPart: PartMark[] = options.map((option) => ({
    id: option.id,
    picked: picked?.has(option.id) ?? false,
    right: option.right,
  }))
  const share = picked === null ? 0 : shareEarned(question, options, picked)
  const wrongPick = perPart.some((part) => part.picked && !part.right)
  // Without a penalty, picking everything earns full points; it still must not read as a right answer.
  const verdict = share >= 1 && wrongPick ? 'partly' : verdictOf(share)
  return { points: share * question.points, max: question.points, verdict, perPart }
}

function pickedOptions(question: ChoiceQuestion, answer: unknown): Set<string> | null {
  if (typeof answer !== 'object' || answer === null) return null
  const { kind, picked } = answer as { kind?: unknown; picked?: unknown }
  if (kind !== 'choice' || !Array.isArray(picked)) return null
  const known = picked.every((id) => typeof id === 'string' && Object.hasOwn(question.options, id))
  if (!known) return null
  const set = new Set<string>(picked)
  return !question.several && set.size > 1 ? null : set
}

function shareEarned(
  question: ChoiceQuestion,
  options: ChoiceOption[],
  picked: Set<string>,
): number {
  const rights = options.filter((option) => option.right)
  if (rights.length === 0) return 0
  const hits = rights.filter((option) => picked.has(option.id)).length
  const misses = picked.size - hits
  if (!question.several) return hits > 0 ? 1 : 0
  switch (question.credit) {
    case 'allOrNothing':
      return hits === rights.length && misses === 0 ? 1 : 0
    case 'partial':
      return hits / rights.length
    case 'penalised':
      return Math.max(
        0,
        hits / rights.length - misses / Math.max(1, options.length - rights.length),
      )
  }
}
