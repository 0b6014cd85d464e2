// Small things that stay on this device. A full or forbidden storage keeps nobody from learning: they then last for this
// sitting.

/** What lies under a key, as it was kept; null where nothing does, or nothing that can be read. */
export function readKept(key: string): unknown {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null')
  } catch {
    return null
  }
}

/** Keeps a plain value under a key; null forgets it. */
export function keepHere(key: string, value: unknown): void {
  try {
    if (value === null) localStorage.removeItem(key)
    else localStorage.setItem(key, JSON.stringify(value))
  } catch {
    // See above.
  }
}
