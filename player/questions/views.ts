// Which view answers which kind of question, and what every view is given. A new kind is a line here.
import type { Component, InjectionKey, Ref } from 'vue'
import type { Mark, Question, QuestionKindName } from '@fernbrake/core/questions'
import type { Tally } from '../hosts/Host.ts'
import ChoiceView from './ChoiceView.vue'
import TrueFalseView from './TrueFalseView.vue'

/** What an answer's view is given; its model is the answer, or null while it is not one yet. */
export interface AnswerViewProps<Q> {
  question: Q
  /** Set once answered: nothing can be changed, and what came of it shows. */
  answered: boolean
  /** What would have been right may be shown: no further try follows. */
  revealed: boolean
  mark: Mark | null
  /** What this learner's mixing follows from. */
  seed: string
}

/** How the answers to a poll are asked for. */
export const TALLIES: InjectionKey<(questionId: string) => Promise<Tally>> = Symbol('tallies')
/** Draws the frame that is on screen; `settled` changes whenever another one has come on it. */
export const FRAME: InjectionKey<{
  draw(canvas: HTMLCanvasElement): boolean
  settled: Readonly<Ref<number>>
}> = Symbol('frame')
/** Where the media of texts and questions are, by medium; and the films, by part. */
export const ADDRESSES: InjectionKey<{
  medium(mediaId: string): string | null
  film(partId: string): string | null
}> = Symbol('addresses')

type Views = Partial<Record<QuestionKindName, Component>>

const AT_ONCE: Views = { choice: ChoiceView, trueFalse: TrueFalseView }

/** The views that most lessons can do without travel apart; they are fetched before they are needed. */
let further: Promise<Views> | null = null

function fetchFurther(): Promise<Views> {
  further ??= import('./furtherViews.ts').then(
    ({ FURTHER_VIEWS }) => FURTHER_VIEWS,
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
