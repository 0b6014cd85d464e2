// How long words take to read.

/** Characters that a reader takes in a second from an overlay, and the time to notice it, in ms. */
const CHARACTERS_A_SECOND = 15
const NOTICE_MS = 1000

/** Words that a reader takes in a minute from a page. */
const WORDS_A_MINUTE = 230

/** How long the words of a page take to read, in whole ms. */
export function pageReadingMs(words: string): number {
  const count = words.trim().split(/\s+/).filter(Boolean).length
  return Math.round((count / WORDS_A_MINUTE) * 60_000)
}

/** How long an overlay's words should stay, in whole ms; 0 where there are none. */
export function readingMs(words: string): number {
  const length = words.trim().length
  return length === 0 ? 0 : Math.round(NOTICE_MS + (length / CHARACTERS_A_SECOND) * 1000)
}
