// Remembering what was worked out of a few texts, where the same ones come again and again.

/** A function that remembers its answers; once there are `most` of them it begins afresh. */
export function remembered<T>(most: number, find: (text: string) => T): (text: string) => T {
  const kept = new Map<string, T>()
  return (text) => {
    const known = kept.get(text)
    if (known !== undefined) return known
    const found = find(text)
    if (kept.size >= most) kept.clear()
    kept.set(text, found)
    return found
  }
}
