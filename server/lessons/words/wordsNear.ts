// Words of a language that lie a slip away from what a lesson asks for, from lists of all its words: whoever types one of
// them has given another answer. Looked for in a thread of its own, since a list has hundreds of thousands.
import { createKept } from '@fernbrake/core/fields'
import type { Logger } from 'pino'
import { createThread } from '../../threads/threads.ts'

export interface NearWish {
  file: string
  listed: string[]
}

/** The packages that hold the lists, by the beginning of a language's tag. */
const LISTS: Readonly<Record<string, string>> = {
  en: 'an-array-of-english-words',
  fr: 'an-array-of-french-words',
  es: 'an-array-of-spanish-words',
}

/** What was looked for last: the bench asks again with each word that is written. */
const found = createKept<string[]>(200)
const search = createThread<NearWish, string[]>(new URL('./near.worker.ts', import.meta.url))

/**
 * The words of this language near those that are listed, as compared (small, without accents); none for a language without a
 * list. A search that fails keeps nobody from publishing: marking knows fewer words then, and it is logged.
 */
export async function wordsNear(
  language: string,
  listed: ReadonlySet<string>,
  log: Pick<Logger, 'warn'>,
): Promise<string[]> {
  const name = LISTS[language.toLowerCase().split('-')[0]!]
  if (!name || listed.size === 0) return []
  const file = import.meta.resolve(`${name}/index.json`)
  const wish = { file, listed: [...listed].sort() }
  const key = JSON.stringify(wish)
  const known = found.get(key)
  if (known) return known
  try {
    const words = await search(wish)
    found.set(key, words)
    return words
  } catch (error) {
    log.warn({ err: error, language }, 'the words of a language were not looked through')
    return []
  }
}
