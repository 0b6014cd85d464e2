// Which view answers which kind of question. A new kind is a line here, or in furtherViews.ts.
import type { Component } from 'vue'
import type { Question, QuestionKindName } from '@fernbrake/core/questions'
import { addMessages } from '../i18n.ts'
import ChoiceView from './ChoiceView.vue'
import TrueFalseView from './TrueFalseView.vue'

type Views = Partial<Record<QuestionKindName, Component>>

const AT_ONCE: Views = { choice: ChoiceView, trueFalse: TrueFalseView }

/** The views that most lessons can do without travel apart; they are fetched before they are needed. */
let further: Promise<Views> | null = null

function fetchFurther(): Promise<Views> {
  further ??= import('./furtherViews.ts').then(
    ({ FURTHER_VIEWS, FURTHER_MESSAGES }) => {
      addMessages(FURTHER_MESSAGES)
      return FURTHER_VIEWS
    },
    (error: unknown) => {
      // A connection that failed once may hold the next time.
      further = null
      throw error
    },
  )
  return further
}

/** The view for a kind of question; rejects where it cannot be fetched now. */
export async function viewFor(kind: QuestionKindName): Promise<Component> {
  const view = AT_ONCE[kind] ?? (await fetchFurther())[kind]
  if (!view) throw new Error(`No view for ${kind}`)
  return view
}

/** Fetches what a lesson will need, so that no question has to wait for the connection. */
export function prepareViews(questions: readonly Question[]): void {
  if (questions.some(({ kind }) => !AT_ONCE[kind])) void fetchFurther().catch(() => undefined)
}
