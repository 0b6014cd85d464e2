// How a question stands for one learner after their tries: the one rule for summaries and results.
import { isByPerson, isSelfJudged, type Question, type Verdict } from '../questions/index.ts'

/**
 * `open`: not answered; `waits`: a person has to look at it; `given`: answered where there is nothing to be right about.
 */
export type ItemState = 'open' | 'right' | 'partly' | 'wrong' | 'waits' | 'given'

/** How a frond draws a question that stands so: its leaf open, filled, or filled with a tick. */
export const leafOf = (state: ItemState): 'open' | 'answered' | 'right' =>
  state === 'open' || state === 'right' ? state : 'answered'

const BEST_FIRST: readonly Verdict[] = ['right', 'partly', 'wrong', 'unmarked']

/** By the best of the tries or the last, as the question's rule says; `tries` are those of this question, in their order. */
export function itemState(question: Question, tries: readonly { verdict: Verdict }[]): ItemState {
  if (tries.length === 0) return 'open'
  if (isSelfJudged(question)) return 'given'
  const verdicts = tries.map(({ verdict }) => verdict)
  const best = BEST_FIRST.find((verdict) => verdicts.includes(verdict))!
  const kept = question.keep === 'last' ? verdicts.at(-1)! : best
  if (kept !== 'unmarked') return kept
  return isByPerson(question) ? 'waits' : 'given'
}
