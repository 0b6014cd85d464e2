// Words of a language that lie a slip away from what a lesson asks for, from lists of all its words: whoever types one of
// them has given another answer. Looked for in a thread of its own, since a list has hundreds of thousands.
import { Worker } from 'node:worker_threads'
import { LRUCache } from 'lru-cache'
import type { Logger } from 'pino'

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
const found = new LRUCache<string, string[]>({ max: 200 })
/** One search after the other: each keeps a core busy. */
let last: Promise<unknown> = Promise.resolve()

/** Longer than any search takes, in ms. */
const LONGEST_MS = 20_000

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
  const searching = last.then(() => search(wish))
  last = searching.catch(() => undefined)
  try {
    const words = await searching
    found.set(key, words)
    return words
  } catch (error) {
    log.warn({ err: error, language }, 'the words of a language were not looked through')
    return []
  }
}

function search(wish: NearWish): Promise<string[]> {
  const worker = new Worker(new URL('./thread.mjs', import.meta.url), { workerData: wish })
  const timer = setTimeout(() => void worker.terminate(), LONGEST_MS)
  return new Promise<string[]>((resolve, reject) => {
    worker.once('message', resolve)
    worker.once('error', reject)
    worker.once('exit', () => reject(new Error('The thread that looks through words ended.')))
  }).finally(() => {
    clearTimeout(timer)
    void worker.terminate()
  })
}
