// Finding words: accents and case do not matter, every word of the query must be there.
import { cutText } from '../fields/index.ts'

/** A text as it is compared: without accents, in small letters. */
export const foldWords = (text: string): string =>
  text.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase()

/** The words of a query, as they are compared. */
export const wordsAskedFor = (query: string): string[] =>
  foldWords(query).split(/\s+/).filter(Boolean)

/** A test for texts that hold all words of a query, in any order; an empty query is held by every text. */
export function holdingWords(query: string): (text: string) => boolean {
  const words = wordsAskedFor(query)
  return (text) => {
    if (words.length === 0) return true
    const searched = foldWords(text)
    return words.every((word) => searched.includes(word))
  }
}

/**
 * A text in one line of at most `most` characters, with what stands for the rest: whole, if it fits; else from the first word
 * that holds something of the query on, with a few words before it.
 */
export function excerptHolding(text: string, query: string, most: number): string {
  const asked = wordsAskedFor(query)
  const words = text.trim().split(/\s+/)
  const whole = words.join(' ')
  if (whole.length <= most) return whole
  const first = words.findIndex((word) => asked.some((one) => foldWords(word).includes(one)))
  const from = Math.max(0, first - WORDS_BEFORE)
  const line = `${from > 0 ? '… ' : ''}${words.slice(from).join(' ')}`
  return line.length <= most ? line : `${cutText(line, most - 1)}…`
}
const WORDS_BEFORE = 2

/** The indices of the lines that hold all words of the query, in order; none for an empty query. */
export function findInLines(lines: readonly { text: string }[], query: string): number[] {
  if (query.trim() === '') return []
  const holds = holdingWords(query)
  return lines.flatMap((line, index) => (holds(line.text) ? [index] : []))
}
