// What every part is handed of the talk, of a class or of those who came by the link.
import {
  inject,
  shallowRef,
  type Component,
  type InjectionKey,
  type Ref,
  type ShallowRef,
} from 'vue'
import type { Post } from '@fernbrake/core/talk'
import type { Talk } from './useTalk.ts'

/** Who talks: a class, or whoever came by the lesson's link. */
export type Among = 'class' | 'link'

export interface ClassTalk {
  talk: Talk
  among: Among
  /** How many posts of others have come since the talk was looked at last. */
  unseen: Readonly<Ref<number>>
  /** Call while somebody looks; answers with how to stop. */
  look(): () => void
  /** Opens another part of the lesson, at a moment of it if it is a film. */
  goTo(post: Post): void
  mayOpen(partId: string): boolean
  /** The parts of the lesson in their order. */
  parts: Readonly<Ref<readonly { id: string; title: string }[]>>
  /** What shows it beside a film, and beside a part that is read; fetched with the talk. */
  views: { beside: Component; folded: Component }
  /** Under which what is being written is held on this device; null where nothing may stay behind. */
  draftKey: string | null
}

export const CLASS_TALK: InjectionKey<Readonly<ShallowRef<ClassTalk | null>>> = Symbol('class talk')
/** Null where the lesson is not talked about. */
export const useClassTalk = () => inject(CLASS_TALK, shallowRef(null))

export type Surroundings = Pick<ClassTalk, 'goTo' | 'mayOpen' | 'parts'>
