// What is held of a draft on this device: its state, what waits to be sent, and how that stands.
import { ref, shallowRef } from 'vue'
import type { DraftReply } from '@fernbrake/core/contract'
import type { Issue } from '@fernbrake/core/fields'
import { dropKnown, openDraft, receiveEdits } from '@fernbrake/core/lesson'
import type { DraftState, LoggedEdit, PendingEdit } from '@fernbrake/core/lesson'
import type { EditStorage } from '../editStorage.ts'

export type Keeping = 'kept' | 'sending' | 'offline' | 'signedOut'

/** What somebody is told of an edit that did not come about. */
export interface DraftNotice {
  kind: 'undoBlocked' | 'invalid'
  name: string
  issues: Issue[]
}

export function createHeld(reply: DraftReply, storage: EditStorage, waiting: PendingEdit[]) {
  const state = shallowRef<DraftState>(openDraft(reply.lesson, reply.revision, waiting))
  const keeping = ref<Keeping>('kept')
  const notice = ref<DraftNotice | null>(null)

  /** Puts a newer state in place; what it does not wait for any more is let go of on the device. */
  function settle(next: DraftState): void {
    const before = state.value.pending.map((edit) => edit.id)
    state.value = next
    // A refused edit stays on the device until it is dropped: after a reload it is tried again.
    const still = new Set([...next.pending, ...next.refused].map((edit) => edit.id))
    const gone = before.filter((id) => !still.has(id))
    if (gone.length > 0) void storage.drop(gone)
  }

  /** Takes in what others did, or what was missed; answers false where it does not follow on what is here. */
  function receive(entries: readonly LoggedEdit[], known: readonly string[] = []): boolean {
    const next = receiveEdits(state.value, entries)
    if (next) settle(dropKnown(next, known))
    return next !== null
  }
  return { lessonId: reply.id, state, keeping, notice, storage, settle, receive }
}
export type Held = ReturnType<typeof createHeld>
