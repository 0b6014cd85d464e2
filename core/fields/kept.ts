// Keeping what was worked out or read, where the same is wanted again and again, and never more than so much of it.

/** Keeps what was asked for last, in memory. */
export interface Kept<T> {
  get(key: string): T | undefined
  set(key: string, value: T): void
  delete(key: string): void
}

/**
 * Keeps `most` things at the most. They come in two generations: what is asked for moves to the young one, and once that
 * is half of all, whatever is still in the old one goes. Looking something up costs no more than a look in a map.
 */
export function createKept<T>(most: number): Kept<T> {
  const half = Math.max(1, Math.floor(most / 2))
  let young = new Map<string, T>()
  let old = new Map<string, T>()
  const set = (key: string, value: T) => {
    if (young.size >= half && !young.has(key)) {
      old = young
      young = new Map()
    }
    young.set(key, value)
    old.delete(key)
  }
  return {
    get(key) {
      const known = young.get(key)
      if (known !== undefined) return known
      const older = old.get(key)
      if (older !== undefined) set(key, older)
      return older
    },
    set,
    delete(key) {
      young.delete(key)
      old.delete(key)
    },
  }
}

/** A function that remembers what it made of a text, for `most` texts at the most. */
export function remembered<T>(most: number, find: (text: string) => T): (text: string) => T {
  const kept = createKept<T>(most)
  return (text) => {
    const known = kept.get(text)
    if (known !== undefined) return known
    const found = find(text)
    kept.set(text, found)
    return found
  }
}
