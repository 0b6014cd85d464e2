// What of a lesson can be found by its words, and where in it they stand.
import { plainOf } from '../fields/index.ts'
import { foldWords, wordsAskedFor } from '../text/index.ts'
import { cuesInOrder, cueStartMs, linesInOrder } from './order.ts'
import { partsInOrder } from './parts/index.ts'
import type { Cue, Lesson } from './schema.ts'

/** Words at a place: in a film at a moment, in ms; of a part as a whole `atMs` is null. */
export interface SaidAt {
  partId: string
  atMs: number | null
  text: string
}

export interface Findable {
  /** Title, summary, level, tags: what is shown of a lesson anyway. */
  head: string
  places: SaidAt[]
}

/** Which words count: those of whoever works on it, or those that any learner comes to without answering anything. */
export type FindableFor = 'designers' | 'learners'

/** What can be found of a lesson: what it says of itself, the names of its parts, what its films say, and for designers their questions. */
export function findableOf(lesson: Lesson, reader: FindableFor): Findable {
  const { title, summary, objectives = '', level = '', tags = [] } = lesson
  return {
    head: [title, summary, objectives, level, ...tags].filter(Boolean).join('\n'),
    places: partsInOrder(lesson).flatMap((part) => [
      { partId: part.id, atMs: null, text: part.title },
      ...inFilmTime([
        ...linesOf(lesson, part.id),
        ...cuesInOrder(lesson, part.id).flatMap((cue) => saidByCue(lesson, cue, reader)),
      ]),
    ]),
  }
}

const inFilmTime = (places: SaidAt[]) => places.sort((a, b) => (a.atMs ?? 0) - (b.atMs ?? 0))

const linesOf = ({ scripts }: Lesson, partId: string): SaidAt[] =>
  Object.values(scripts)
    .filter((script) => script.partId === partId)
    .flatMap((script) =>
      linesInOrder(script).map(({ fromMs, text }) => ({ partId, atMs: fromMs, text })),
    )

function saidByCue(lesson: Lesson, cue: Cue, reader: FindableFor): SaidAt[] {
  const said = (text: string) =>
    text === '' ? [] : [{ partId: cue.partId, atMs: cueStartMs(cue), text }]
  if (cue.kind === 'bookmark') return said(cue.title)
  if (cue.kind === 'question' && reader === 'designers')
    return said(plainOf(lesson.questions[cue.questionId]?.stem ?? ''))
  return []
}

/** All words of a lesson as they are compared: one string, that holds each line. */
export const foldedOf = ({ head, places }: Findable): string =>
  foldWords([head, ...new Set(places.map(({ text }) => text))].join('\n'))

/**
 * The places that hold what was asked for, in the order of the lesson, at most `most` of them: those with all words; where
 * no place has all of them, those with any word that the lesson does not say of itself. None where its head has all.
 */
export function placesHolding(
  { head, places }: Findable,
  query: string,
  most: number,
): { places: SaidAt[]; more: number } {
  const words = wordsAskedFor(query)
  const folded = places.map((place) => ({ place, text: foldWords(place.text) }))
  const own = foldWords(head)
  const wanted = words.filter((word) => !own.includes(word))
  if (wanted.length === 0) return { places: [], more: 0 }
  const withAll = folded.filter(({ text }) => words.every((word) => text.includes(word)))
  const some = () => folded.filter(({ text }) => wanted.some((word) => text.includes(word)))
  const found = (withAll.length > 0 ? withAll : some()).map(({ place }) => place)
  return { places: found.slice(0, most), more: Math.max(0, found.length - most) }
}
