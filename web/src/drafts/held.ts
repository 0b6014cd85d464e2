// What is held of a document on this device: its state, what waits to be sent, and how that stands.
import { ref, shallowRef } from 'vue'
import type { Issue } from '@fernbrake/core/fields'
import { syncOf, type LoggedEdit, type PendingEdit, type StateOf } from '@fernbrake/core/drafts'
import type { EditStorage } from './editStorage.ts'
import type { DraftKind } from './kind.ts'

export type Keeping = 'kept' | 'sending' | 'offline' | 'signedOut'

/** What somebody is told of an edit that did not come about. */
export interface DraftNotice {
  kind: 'undoBlocked' | 'invalid'
  name: string
  issues: Issue[]
}

/** A document as it was opened. */
export interface Opened<D> {
  id: string
  document: D
  revision: number
}

export function createHeld<D extends object>(
  kind: DraftKind<D>,
  { id, document, revision }: Opened<D>,
  storage: EditStorage,
  waiting: PendingEdit[],
) {
  const sync = syncOf<D>(kind.check)
  const state = shallowRef<StateOf<D>>(sync.openDraft(document, revision, waiting))
  const keeping = ref<Keeping>('kept')
  const notice = ref<DraftNotice | null>(null)

  /** Puts a newer state in place; what it does not wait for any more is let go of on the device. */
  function settle(next: StateOf<D>): void {
    const before = state.value.pending.map((edit) => edit.id)
    state.value = next
    // A refused edit stays on the device until it is dropped: after a reload it is tried again.
    const still = new Set([...next.pending, ...next.refused].map((edit) => edit.id))
    const gone = before.filter((id) => !still.has(id))
    if (gone.length > 0) void storage.drop(gone)
  }

  /** Takes in what others did, or what was missed; answers false where it does not follow on what is here. */
  function receive(entries: readonly LoggedEdit[], known: readonly string[] = []): boolean {
    const next = sync.receiveEdits(state.value, entries)
    if (next) settle(sync.dropKnown(next, known))
    return next !== null
  }
  return { kind, id, sync, state, keeping, notice, storage, settle, receive }
}
export type Held<D extends object> = ReturnType<typeof createHeld<D>>
