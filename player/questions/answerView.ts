// What every answer's view is given, and what it may ask of whoever shows it.
import type { Component, InjectionKey, Ref } from 'vue'
import type { PlaceholderFacts } from '@fernbrake/core/text'
import type { Mark } from '@fernbrake/core/questions'
import type { HandedFiles, Host, OpenedLesson, Tally } from '../hosts/Host.ts'

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
/** Files that go with answers. */
export const FILES: InjectionKey<HandedFiles> = Symbol('files')
/** What places in texts are filled in with, such as the learner's first name. */
export const FACTS: InjectionKey<Readonly<Ref<PlaceholderFacts>>> = Symbol('facts')
/** Draws the frame that is on screen; `settled` changes whenever another one has come on it. */
export const FRAME: InjectionKey<{
  draw(canvas: HTMLCanvasElement): boolean
  settled: Readonly<Ref<number>>
}> = Symbol('frame')
/** What plays a stretch of film in a text, and for whom; without it the browser's own controls do, and nothing is kept. */
export const STRETCHES: InjectionKey<{ host: Host; opened: OpenedLesson; view: Component }> =
  Symbol('stretches')
/** Where the media of texts and questions are, by medium; and the films, by part. */
export const ADDRESSES: InjectionKey<{
  medium(mediaId: string): string | null
  /** A page of a document, from 1, as a picture. */
  page(mediaId: string, page: number): string | null
  /** Null for one that stays with its host. */
  film(partId: string): string | null
  /** A picture of it. */
  still(partId: string): string | null
}> = Symbol('addresses')
