// An answer that is being written, kept on this device until it is given: a closed tab or an empty battery loses nothing.
import type { Answer, QuestionKindName } from '@fernbrake/core/questions'

const keyOf = (name: string) => `fernbrake-answer ${name}`
/** Writing every letter to storage would be felt; so often is often enough, in ms. */
const KEEP_AFTER_MS = 300

/** `name` tells learner and question apart; without storage the answer lives as long as the page. */
export function useAnswerDraft(name: string) {
  let timer: ReturnType<typeof setTimeout> | undefined

  function write(answer: Answer | null): void {
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
      try {
        const kept = JSON.parse(localStorage.getItem(keyOf(name)) ?? 'null') as Answer | null
        return kept?.kind === kind ? kept : null
      } catch {
        return null
      }
    },
    keep(answer: Answer | null): void {
      clearTimeout(timer)
      timer = setTimeout(() => write(answer), KEEP_AFTER_MS)
    },
    forget(): void {
      clearTimeout(timer)
      write(null)
    },
  }
}
