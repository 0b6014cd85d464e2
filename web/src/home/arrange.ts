// Which lessons the home page shows, and in which order: those in use, those put away, or those of a collection; found by words.
import type { Collection, LessonCard, LessonFound, PlaceFound } from '@fernbrake/core/contract'
import { holdingWords } from '@fernbrake/core/text'

export const LESSON_SORTS = ['changed', 'title', 'opened'] as const
export type LessonSort = (typeof LESSON_SORTS)[number]

/** What is shown besides collections, which are named by their ids. */
export const IN_USE = 'inUse'
export const AWAY = 'away'

/** A lesson with where in it the words stand that were asked for. */
export interface ShownLesson {
  lesson: LessonCard
  places: readonly PlaceFound[]
  more: number
}

export interface Wish {
  /** `inUse`, `away`, or the id of a collection. */
  shown: string
  sort: LessonSort
  words: string
  /** What the server found by these words; null while it is looking. */
  found: readonly LessonFound[] | null
}

const ORDERS: Record<LessonSort, (a: LessonCard, b: LessonCard) => number> = {
  changed: (a, b) => (a.updatedAt < b.updatedAt ? 1 : a.updatedAt > b.updatedAt ? -1 : 0),
  title: (a, b) => a.title.localeCompare(b.title, undefined, { numeric: true }),
  opened: (a, b) => b.opened - a.opened,
}

/** The lessons to show, and how many others hold the words but stand elsewhere. */
export function arrangeLessons(
  lessons: readonly LessonCard[],
  collections: readonly Collection[],
  wish: Wish,
): { shown: ShownLesson[]; elsewhere: ShownLesson[] } {
  const holding = heldBy(lessons, wish)
  const collection = collections.find(({ id }) => id === wish.shown)
  if (collection) {
    const { lessonIds } = collection
    const shown = lessonIds.flatMap((id) => holding.filter(({ lesson }) => lesson.id === id))
    return { shown, elsewhere: holding.filter(({ lesson }) => !lessonIds.includes(lesson.id)) }
  }
  const sorted = holding.sort((a, b) => ORDERS[wish.sort](a.lesson, b.lesson))
  const isHere = ({ lesson }: ShownLesson) => lesson.isAway === (wish.shown === AWAY)
  return { shown: sorted.filter(isHere), elsewhere: sorted.filter((one) => !isHere(one)) }
}

/** What a card says is looked through here, at once; all else by the server. */
function heldBy(lessons: readonly LessonCard[], { words, found }: Wish): ShownLesson[] {
  const holds = holdingWords(words)
  const byId = new Map((words.trim() === '' ? [] : (found ?? [])).map((one) => [one.lessonId, one]))
  return lessons.flatMap((lesson) => {
    const where = byId.get(lesson.id)
    const { title, summary, level, tags } = lesson
    if (!where && !holds([title, summary, level, ...tags].join(' '))) return []
    return [{ lesson, places: where?.places ?? [], more: where?.more ?? 0 }]
  })
}
