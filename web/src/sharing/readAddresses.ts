// Email addresses out of whatever was pasted: one a line, or with commas, semicolons or names between.

const ADDRESS = /[^\s<>,;"]+@[^\s<>,;"]+\.[^\s<>,;".]+/g

/** Each address once, in small letters; `others` are the pieces in which there is none. */
export function readAddresses(words: string): { addresses: string[]; others: string[] } {
  const pieces = words.split(/[\n,;]/).flatMap((piece) => piece.trim() || [])
  const found = pieces.map((piece) => piece.match(ADDRESS) ?? [])
  return {
    addresses: [...new Set(found.flat().map((address) => address.toLowerCase()))],
    others: pieces.filter((_, index) => found[index]!.length === 0),
  }
}
