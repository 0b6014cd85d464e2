// Coming to what the server has: by what it tells by itself, and by asking for what was missed.
import { ref } from 'vue'
import type { Held } from './held.ts'

/** `onReopened` hears that the document was opened anew; `onBack` that the connection is there again. */
export function createFollowing<D extends object>(
  { kind, id, sync, state, settle, receive }: Held<D>,
  { onReopened, onBack }: { onReopened: () => void; onBack: () => void },
) {
  let catchingUp: Promise<void> | null = null
  /** Asks for what was missed; never throws. The next edit, or the next time the connection comes, asks again. */
  function catchUp(): Promise<void> {
    catchingUp ??= followLog()
      .catch(() => undefined)
      .finally(() => (catchingUp = null))
    return catchingUp
  }

  async function followLog(): Promise<void> {
    for (;;) {
      const { revision: since } = state.value
      const { revision, entries } = await kind.editsSince(id, since)
      const fits = receive(entries)
      if (fits && state.value.revision >= revision) return
      // A log that does not fit, or leads nowhere, will not by being asked for again.
      if (!fits || state.value.revision === since) return reopen()
    }
  }

  async function reopen(): Promise<void> {
    const { document, revision } = await kind.open(id)
    settle(sync.reopenDraft(state.value, document, revision))
    onReopened()
  }

  /** Grows whenever the server began to tell of it, at first and after a lost connection. */
  const watched = ref(0)
  let end = () => {}
  return {
    watched,
    catchUp,
    begin() {
      end = kind.follow(id, {
        onEdited(entries) {
          if (!receive(entries)) void catchUp()
        },
        onConnected() {
          void catchUp()
          onBack()
        },
        onWatched: () => void (watched.value += 1),
      })
    },
    end: () => end(),
  }
}
