// How long questions with a countdown have been open, kept on this device: a closed tab does not give time back.

const keyOf = (seed: string) => `fernbrake-waited ${seed}`

/** What was kept; nothing where the storage is forbidden or holds something else. */
export function readWaited(seed: string): Record<string, number> {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(keyOf(seed)) ?? '{}')
    if (typeof kept !== 'object' || kept === null) return {}
    return Object.fromEntries(
      Object.entries(kept).filter(
        (one): one is [string, number] => typeof one[1] === 'number' && one[1] >= 0,
      ),
    )
  } catch {
    return {}
  }
}

export function keepWaited(seed: string, waited: Readonly<Record<string, number>>): void {
  try {
    localStorage.setItem(keyOf(seed), JSON.stringify(waited))
  } catch {
    // A full or forbidden storage keeps nobody from answering.
  }
}
