// What a lesson says about itself, read.
import { cutText } from '../fields/index.ts'
import { filmsInOrder, partsInOrder, pictureOf } from './parts/index.ts'
import type { Lesson } from './schema.ts'

/** What learners are to be able to do, one each. */
export const objectivesOf = ({ objectives = '' }: Pick<Lesson, 'objectives'>): string[] =>
  objectives.split('\n').flatMap((line) => line.trim() || [])

/** Tags as they are typed, with commas between: each once, however it is written. */
export function readTags(words: string): string[] {
  const seen = new Map<string, string>()
  for (const word of words.split(',')) {
    const tag = cutText(word.trim().replace(/\s+/g, ' '), 40)
    if (tag !== '' && !seen.has(tag.toLowerCase())) seen.set(tag.toLowerCase(), tag)
  }
  return [...seen.values()]
}

/** The medium whose picture a lesson is known by: its cover, else its first film, else the first picture shown. */
export const posterOf = (lesson: Lesson): string | null =>
  lesson.cover?.mediaId ?? filmsInOrder(lesson)[0]?.mediaId ?? pictureOf(partsInOrder(lesson))
