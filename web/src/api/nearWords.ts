// Asks the server which words lie a slip away from those that are asked for: it has the lists of the languages' words.
import { wordsAsked, type Lesson } from '@fernbrake/core/lesson'
import { call } from './client.ts'

/** As many characters as a question about words may have. */
const MOST = 4000

/** The words near these, as compared; none where there is no connection: marking then knows what the films say. */
export async function wordsNear(language: string, asked: Iterable<string>): Promise<string[]> {
  const listed = [...asked].join(' ').slice(0, MOST)
  if (listed === '') return []
  return call('nearWords', { query: { language, listed } }).then(
    (reply) => reply.words,
    () => [],
  )
}

/** Those near all that a lesson asks for in words. */
export const nearWords = (lesson: Lesson): Promise<string[]> =>
  wordsNear(lesson.language, wordsAsked(lesson))
