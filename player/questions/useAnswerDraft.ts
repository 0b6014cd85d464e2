// An answer that is being written, kept on this device until it is given: a closed tab or an empty battery loses nothing.
import type { Answer, QuestionKindName } from '@fernbrake/core/questions'

const keyOf = (name: string) => `fernbrake-answer ${name}`

/** `name` tells learner and question apart; null keeps nothing. Without storage the answer lives as long as the page. */
export function useAnswerDraft(name: string | null) {
  function keep(answer: Answer | null): void {
    if (name === null) return
    try {
      if (answer) localStorage.setItem(keyOf(name), JSON.stringify(answer))
      else localStorage.removeItem(keyOf(name))
    } catch {
      // A full or forbidden storage keeps nobody from answering.
    }
  }

  return {
    /** What was being written, if it is an answer of this kind. */
    read(kind: QuestionKindName): Answer | null {
      if (name === null) return null
      try {
        const kept = JSON.parse(localStorage.getItem(keyOf(name)) ?? 'null') as Answer | null
        return kept?.kind === kind ? kept : null
      } catch {
        return null
      }
    },
    keep,
    forget: () => keep(null),
  }
}
