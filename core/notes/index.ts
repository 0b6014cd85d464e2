// The only door of core/notes: what learners write for themselves while they work through a lesson.
import { partsInOrder, type Lesson } from '../lesson/index.ts'
import { clockTime } from '../media/index.ts'

/** What a note is about: a moment of a film, words on a page, or a part as a whole. */
export type NotePlace =
  | { on: 'moment'; atMs: number }
  /** `from` and `to` count characters of all that the block says; `quote` is what stands between. */
  | { on: 'words'; blockId: string; from: number; to: number; quote: string }
  | { on: 'part' }

export interface OwnNote {
  id: string
  partId: string
  place: NotePlace
  /** '' where words were only marked. */
  words: string
  /** When it was written last, as ISO 8601. */
  at: string
}

/** The longest quote that is kept; of more, the beginning is. */
export const LONGEST_QUOTE = 500
export const LONGEST_NOTE = 4000
/** So many one learner may write in one lesson. */
export const MOST_NOTES = 1000

/** The notes once this state of one is known; null stands for one that is gone. The latest word on a note holds. */
export function withNote(notes: readonly OwnNote[], id: string, note: OwnNote | null): OwnNote[] {
  const known = notes.find((one) => one.id === id)
  const others = notes.filter((one) => one.id !== id)
  if (note === null) return others
  return [...others, known && known.at > note.at ? known : note]
}

/** The notes of a part in the order of what they are about; `blocks` are its blocks in reading order. */
export function notesOfPart(
  notes: readonly OwnNote[],
  partId: string,
  blocks: readonly string[] = [],
): OwnNote[] {
  const rank = ({ place }: OwnNote): [number, number] => {
    if (place.on === 'moment') return [0, place.atMs]
    if (place.on === 'part') return [blocks.length, 0]
    const index = blocks.indexOf(place.blockId)
    return [index < 0 ? blocks.length : index, place.from]
  }
  return notes
    .filter((note) => note.partId === partId)
    .sort((a, b) => {
      const [[blockA, atA], [blockB, atB]] = [rank(a), rank(b)]
      return blockA - blockB || atA - atB || (a.at < b.at ? -1 : 1)
    })
}

/** Where a quote stands in what its block says today: where it stood, or the only other place; null where it is gone. */
export function findQuote(
  said: string,
  { from, to, quote }: Extract<NotePlace, { on: 'words' }>,
): { from: number; to: number } | null {
  const start = quote.slice(0, LONGEST_QUOTE)
  if (said.slice(from, from + start.length) === start)
    return { from, to: Math.min(to, said.length) }
  const at = said.indexOf(start)
  return at < 0 || start === '' ? null : { from: at, to: at + start.length }
}

/**
 * All notes as a text to take along: by part, each with its time or the words that it is about. `blocksOf` tells the
 * blocks of a part in reading order.
 */
export function writeNotes(
  lesson: Lesson,
  notes: readonly OwnNote[],
  blocksOf: (partId: string) => readonly string[],
): string {
  const parts = partsInOrder(lesson).flatMap((part) => {
    const own = notesOfPart(notes, part.id, blocksOf(part.id))
    if (own.length === 0) return []
    return [`## ${part.title || lesson.title}`, ...own.map(written)]
  })
  return [`# ${lesson.title}`, ...parts].join('\n\n') + '\n'
}

function written({ place, words }: OwnNote): string {
  if (place.on === 'moment') return `[${clockTime(place.atMs)}] ${words}`.trim()
  if (place.on === 'part') return words
  const quote = place.quote.replace(/\s+/g, ' ').trim()
  return words === '' ? `“${quote}”` : `“${quote}”\n${words}`
}
