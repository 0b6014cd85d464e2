// Finding words: accents and case do not matter, every word of the query must be there.

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

/** The indices of the lines that hold all words of the query, in order; none for an empty query. */
export function findInLines(lines: readonly { text: string }[], query: string): number[] {
  if (query.trim() === '') return []
  const holds = holdingWords(query)
  return lines.flatMap((line, index) => (holds(line.text) ? [index] : []))
}
