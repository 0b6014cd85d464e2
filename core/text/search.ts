// Finding words in a script: accents and case do not matter, every word of the query must be there.

const plain = (text: string) => text.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase()

/** The indices of the lines that hold all words of the query, in order; none for an empty query. */
export function findInLines(lines: readonly { text: string }[], query: string): number[] {
  const words = plain(query).split(/\s+/).filter(Boolean)
  if (words.length === 0) return []
  return lines.flatMap((line, index) => {
    const text = plain(line.text)
    return words.every((word) => text.includes(word)) ? [index] : []
  })
}
