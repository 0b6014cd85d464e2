// Finding words: accents and case do not matter, every word of the query must be there.

const plain = (text: string) => text.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase()

/** A test for texts that hold all words of a query, in any order; an empty query is held by every text. */
export function holdingWords(query: string): (text: string) => boolean {
  const words = plain(query).split(/\s+/).filter(Boolean)
  return (text) => {
    if (words.length === 0) return true
    const searched = plain(text)
    return words.every((word) => searched.includes(word))
  }
}

/** The indices of the lines that hold all words of the query, in order; none for an empty query. */
export function findInLines(lines: readonly { text: string }[], query: string): number[] {
  if (query.trim() === '') return []
  const holds = holdingWords(query)
  return lines.flatMap((line, index) => (holds(line.text) ? [index] : []))
}
