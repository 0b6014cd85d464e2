// Names that no map may have as a key: JavaScript itself gives them a meaning, so what stands under them is passed over by
// schemas and reached by accident. And how deep and large a value may be before anything looks at it.

const FORBIDDEN = new Set(['__proto__', 'constructor', 'prototype'])

/** Nothing that is sent is nested deeper. */
export const DEEPEST = 60

export const isForbiddenKey = (key: string): boolean => FORBIDDEN.has(key)

/**
 * The way to the first key of a JSON value that no map may have, or to what lies deeper than `DEEPEST`; null where there
 * is neither. Does not recurse, so that no depth exhausts it.
 */
export function findBadKey(value: unknown): (string | number)[] | null {
  const rest: { value: unknown; path: (string | number)[] }[] = [{ value, path: [] }]
  for (let next = rest.pop(); next; next = rest.pop()) {
    const { value: here, path } = next
    if (typeof here !== 'object' || here === null) continue
    if (path.length >= DEEPEST) return path
    for (const key of Object.keys(here)) {
      const way = [...path, Array.isArray(here) ? Number(key) : key]
      if (isForbiddenKey(key)) return way
      const inner: unknown = (here as Record<string, unknown>)[key]
      if (typeof inner === 'object' && inner !== null) rest.push({ value: inner, path: way })
    }
  }
  return null
}
