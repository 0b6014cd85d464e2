// An answer that is being written, kept on this device until it is given: a closed tab or an empty battery loses nothing.
import type { Answer, QuestionKindName } from '@fernbrake/core/questions'
import { keepHere, readKept } from '../session/onDevice.ts'

/** `name` tells learner and question apart; null keeps nothing. Without storage the answer lives as long as the page. */
export function useAnswerDraft(name: string | null) {
  const key = name === null ? null : `fernbrake-answer ${name}`
  const keep = (answer: Answer | null) => {
    if (key !== null) keepHere(key, answer)
  }
  return {
    /** What was being written, if it is an answer of this kind. */
    read(kind: QuestionKindName): Answer | null {
      const kept = key === null ? null : (readKept(key) as Answer | null)
      return kept?.kind === kind ? kept : null
    },
    keep,
    forget: () => keep(null),
  }
}
