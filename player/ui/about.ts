// What the lesson says about itself, for whatever of the player shows it.
import type { Credit } from '@fernbrake/core/contract'
import type { ComputedRef, InjectionKey, Ref } from 'vue'
import type { OpenedLesson } from '../hosts/Host.ts'
import { objectivesOf, type Lesson } from '@fernbrake/core/lesson'

export interface About {
  summary: string
  objectives: readonly string[]
  level: string
  licence: string
  /** From whom what it shows is. */
  credits: readonly Credit[]
}

export const ABOUT: InjectionKey<ComputedRef<About | null>> = Symbol('about')

/** Which edition of the lesson this is, and which is the newest; null where it is none, as in a preview. */
export const EDITION: InjectionKey<Readonly<Ref<{ own: number; newest: number } | null>>> =
  Symbol('edition')

/** The rules under which a class was given the lesson; null where it was opened by a link. */
export const ASSIGNMENT: InjectionKey<Readonly<Ref<OpenedLesson['assignment']>>> =
  Symbol('assignment')

/** Null where the lesson says nothing. */
export function aboutOf(lesson: Lesson, credits: readonly Credit[] = []): About | null {
  const { summary, level = '', licence = '' } = lesson
  const objectives = objectivesOf(lesson)
  const isSilent = summary + level + licence === '' && objectives.length + credits.length === 0
  return isSilent ? null : { summary, level, licence, objectives, credits }
}
