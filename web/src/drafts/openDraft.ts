// A document that several edit, on this device: it makes edits, keeps them at once, sends them, takes in what others do, undoes and
// redoes. Each of it stands in a file of its own.
import { computed } from 'vue'
import type { PendingEdit } from '@fernbrake/core/drafts'
import type { EditStorage } from './editStorage.ts'
import { onLeaving } from '../api/leaving.ts'
import { createFollowing } from './following.ts'
import { createHeld, type Opened } from './held.ts'
import type { DraftKind } from './kind.ts'
import { createMaking } from './making.ts'
import { createSending } from './sending.ts'

/** What ends the sending of each document that may still have something to send. */
const sendingHere = new Set<() => void>()
// What one person did is not sent in the name of another: it stays on the device.
onLeaving(() => {
  for (const stop of sendingHere) stop()
  sendingHere.clear()
})

/** Holds a document that was just opened; what waited on this device is sent with the first chance. */
export function holdDraft<D extends object>(
  kind: DraftKind<D>,
  opened: Opened<D> & { keptAt: Date },
  storage: EditStorage,
  waiting: PendingEdit[],
) {
  const held = createHeld(kind, opened, storage, waiting)
  const { state, sync } = held
  const following = createFollowing(held, {
    onReopened: () => making.forgetSteps(),
    onBack: () => sending.schedule(0),
  })
  const { catchUp, watched } = following
  const sending = createSending(held, { keptAt: opened.keptAt, catchUp })
  const making = createMaking(held, sending.isUnderWay, () => sending.schedule())
  const { make, amend, undo, redo, undoName, redoName } = making

  const onOnline = () => sending.schedule(0)
  following.begin()
  window.addEventListener('online', onOnline)
  if (waiting.length > 0) sending.schedule(0)
  sendingHere.add(sending.stop)

  return {
    state,
    view: computed(() => state.value.view),
    keeping: held.keeping,
    keptAt: sending.keptAt,
    notice: held.notice,
    make,
    amend,
    undo,
    redo,
    undoName,
    redoName,
    dropRefused(id: string) {
      state.value = sync.dropRefused(state.value, id)
      void storage.drop([id])
    },
    /** Tries a refused edit again; answers false where it does not fit any more. */
    retryRefused(id: string): boolean {
      const next = sync.retryRefused(state.value, id)
      if (next) state.value = next
      if (next) sending.schedule()
      return next !== null
    },
    watched,
    catchUp,
    send: sending.send,
    /** Nobody looks at it: it is not followed, and what waits is sent all the same. */
    rest() {
      following.end()
      void sending.send()
    },
    /** Somebody looks at it again. */
    wake() {
      following.begin()
      void catchUp()
    },
    close() {
      following.end()
      window.removeEventListener('online', onOnline)
      sending.end()
      void sending.send().then(() => {
        if (state.value.pending.length === 0) sendingHere.delete(sending.stop)
      })
    },
  }
}
