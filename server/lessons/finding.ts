// Finding lessons by their words, and putting them away.
import type { BodyOf, contract, LessonFound, Person, PlaceFound } from '@fernbrake/core/contract'
import {
  findableOf,
  foldedOf,
  placesHolding,
  type Findable,
  type FindableFor,
} from '@fernbrake/core/lesson'
import { excerptHolding, wordsAskedFor } from '@fernbrake/core/text'
import { within, type Ask, type Database } from '../database/connect.ts'
import { HttpError } from '../http/HttpError.ts'
import {
  draftsHolding,
  draftsToRead,
  editionsHolding,
  editionsToRead,
  postsHolding,
  readWorded,
  storeAway,
  storeWords,
  type Worded,
} from './queries/finding.ts'

/** Documents are long: so many are held at once. */
const AT_ONCE = 10
/** Of what somebody said so many characters are shown: as many as stand in a line of a card. */
const LONGEST_EXCERPT = 48
/** Places that are shown of one lesson. */
const MOST_PLACES = 3

/** What `LIKE` takes for a text that holds a word. */
const patternsOf = (words: string): string[] =>
  wordsAskedFor(words).map((word) => `%${word.replace(/[\\%_]/g, '\\$&')}%`)

/** The lessons of a designer in which every word occurs, with where it does; none without a word. */
export async function findLessons(
  database: Database,
  person: Person,
  words: string,
): Promise<LessonFound[]> {
  const ask = within(database)
  const patterns = patternsOf(words)
  if (patterns.length === 0) return []
  await readAll(ask, await draftsToRead(ask, person.id), 'designers')
  const found = await draftsHolding(ask, person.id, patterns)
  return found.map(({ lessonId, findable }) => ({ lessonId, ...placesIn(findable, words) }))
}

/** Where words were found: in a lesson, and in what is said about it. */
type FoundOpen = Omit<LessonFound, 'lessonId'> & { said: PlaceFound[] }

/** The same of what everyone may learn, by what learners come to in it, and by what everyone can read in the talk about it. */
export async function findOpen(ask: Ask, words: string): Promise<Map<string, FoundOpen>> {
  const patterns = patternsOf(words)
  if (patterns.length === 0) return new Map()
  await readAll(ask, await editionsToRead(ask), 'learners')
  const found = await editionsHolding(ask, patterns)
  const open = new Map<string, FoundOpen>(
    found.map(({ lessonId, findable }) => [lessonId, { ...placesIn(findable, words), said: [] }]),
  )
  const said = await postsHolding(ask, patterns, MOST_PLACES)
  for (const { lessonId, partId, place, words: text } of said) {
    const where = open.get(lessonId) ?? { places: [], more: 0, said: [] }
    const atMs = place.on === 'moment' ? place.atMs : null
    where.said.push({ partId, atMs, text: excerptHolding(text, words, LONGEST_EXCERPT) })
    open.set(lessonId, where)
  }
  return open
}

const placesIn = (findable: Findable, words: string) => placesHolding(findable, words, MOST_PLACES)

/** Reads what was written since somebody searched last. */
async function readAll(ask: Ask, these: readonly Worded[], reader: FindableFor): Promise<void> {
  for (let at = 0; at < these.length; at += AT_ONCE)
    for (const one of await readWorded(ask, these.slice(at, at + AT_ONCE))) {
      const findable = findableOf(one.document, reader)
      await storeWords(ask, one, { folded: foldedOf(findable), findable })
    }
}

/** Puts lessons away for one person alone, or takes them out again: all that are named, or none. */
export async function putAway(
  database: Database,
  person: Person,
  { lessonIds, away }: BodyOf<(typeof contract)['putAway']>,
): Promise<{ changed: number }> {
  const ids = [...new Set(lessonIds)]
  return database.transaction(async (transaction) => {
    const change = { lessonIds: ids, away }
    const changed = await storeAway(within(database, transaction), person.id, change)
    if (changed < ids.length) throw new HttpError('not-found')
    return { changed }
  })
}
