// A page that somebody goes back to is brought back as it was, at once. By then it may be somebody else who sits there, and what it
// shows may have changed.

const PLACE = 'fernbrake.here'
const NOBODY = ''

let shownTo = NOBODY
const heard = new Set<() => void>()

/** Whoever this page is shown to; other pages of this browser see it too. */
export function noteWhoIsHere(personId: string | null): void {
  shownTo = personId ?? NOBODY
  try {
    localStorage.setItem(PLACE, shownTo)
  } catch {
    // A browser that keeps nothing is asked below instead.
  }
}

/** Has this done whenever the page was brought back for the same person; answers with what ends it. */
export function onBroughtBack(hear: () => void): () => void {
  heard.add(hear)
  return () => void heard.delete(hear)
}

function lastHere(): string {
  try {
    return localStorage.getItem(PLACE) ?? NOBODY
  } catch {
    return shownTo
  }
}

/**
 * Looks to it that nobody is shown what was another person's: the page is hidden and begun anew where somebody else has been here
 * since, and begun anew where the server says so. `askWho` answers with the id of whoever is signed in, null for nobody.
 */
export function watchForReturn(askWho: () => Promise<string | null>, beginAnew: () => void): void {
  addEventListener('pageshow', ({ persisted }) => {
    if (!persisted) return
    if (lastHere() !== shownTo) {
      document.documentElement.hidden = true
      return beginAnew()
    }
    const before = shownTo
    // Without a connection the page stands as it was, as it would if nobody had left it.
    askWho().then(
      (now) => {
        if ((now ?? NOBODY) !== before) beginAnew()
        else for (const hear of heard) hear()
      },
      () => null,
    )
  })
}
