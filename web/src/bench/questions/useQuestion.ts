// What the editors of all kinds share: changing the question that they are given.
import { edits, type Edit } from '@fernbrake/core/lesson'
import type { Question } from '@fernbrake/core/questions'
import { useBench } from '../useBench.ts'

type RulesOf<Q extends Question> = Partial<Omit<Q, 'id' | 'kind'>>

export function useQuestion<Q extends Question>(question: () => Q) {
  const bench = useBench()
  const make = <A>(edit: Edit<A>, args: A) => bench.draft.make(edit, args)
  return {
    bench,
    make,
    /** Sets what the question says of itself. */
    set: (rules: RulesOf<Q>) =>
      make(edits.setQuestionRules, { questionId: question().id, rules: rules as never }),
    /** Sets what one of its things says; with `alone`, it is the only one of which that holds. */
    setEntry: (
      path: readonly string[],
      entryId: string,
      change: Readonly<Record<string, unknown>>,
      alone?: string,
    ) =>
      make(edits.setEntry, {
        questionId: question().id,
        path,
        entryId,
        change,
        ...(alone === undefined ? {} : { alone }),
      }),
  }
}
