// Sending what waits: gathered, in batches that the server takes, again and again while it is away.
import { ref } from 'vue'
import { pauseAfter } from '@fernbrake/core/fields'
import type { PendingEdit } from '@fernbrake/core/drafts'
import { ApiError } from '../api/client.ts'
import type { Held } from './held.ts'

/** Edits are gathered this long before they are sent, in ms. */
const GATHER_MS = 250
/** How long is waited while the server cannot be reached. */
const PAUSES = { firstMs: 3000, mostMs: 30_000 }
const MOST_AT_ONCE = 100
/** Less than the server takes at once, in characters; one edit alone may be longer. */
const LONGEST_BATCH = 2_000_000

/** The oldest waiting edits that travel together. */
function nextBatch(pending: readonly PendingEdit[]): PendingEdit[] {
  let length = 0
  const end = pending.findIndex((edit, index) => {
    length += JSON.stringify(edit.patches).length
    return index === MOST_AT_ONCE || (index > 0 && length > LONGEST_BATCH)
  })
  return pending.slice(0, end < 0 ? pending.length : end)
}

/** `catchUp` asks for what is missed here. */
export function createSending<D extends object>(
  { kind, id, sync, state, keeping, receive }: Held<D>,
  { keptAt: since, catchUp }: { keptAt: Date; catchUp: () => Promise<void> },
) {
  const keptAt = ref(since)
  let inFlight: readonly string[] = []
  /** Sendings in a row that reached nobody. */
  let failures = 0
  let timer: ReturnType<typeof setTimeout> | undefined

  let isOver = false
  function schedule(afterMs = GATHER_MS): void {
    clearTimeout(timer)
    if (isOver) return
    timer = setTimeout(() => void send(), afterMs)
  }

  async function send(): Promise<void> {
    if (isOver || inFlight.length > 0 || state.value.pending.length === 0) return
    const edits = nextBatch(state.value.pending)
    inFlight = edits.map((edit) => edit.id)
    try {
      const reply = await kind.send(id, { revision: state.value.revision, edits })
      const fits = receive(reply.entries, reply.known)
      if (!fits || state.value.revision < reply.revision) await catchUp()
      keeping.value = state.value.pending.length > 0 ? 'sending' : 'kept'
      keptAt.value = new Date()
    } catch (error) {
      onFailed(error, edits)
    } finally {
      inFlight = []
    }
    const isAway = keeping.value === 'offline' || keeping.value === 'signedOut'
    failures = isAway ? failures + 1 : 0
    if (state.value.pending.length > 0) schedule(isAway ? pauseAfter(failures, PAUSES) : 0)
  }

  function onFailed(error: unknown, edits: PendingEdit[]): void {
    if (!(error instanceof ApiError) || error.isPassing) keeping.value = 'offline'
    else if (error.status === 401) keeping.value = 'signedOut'
    else {
      const editId = error.problem?.editId ?? edits[0]!.id
      const fallback = [{ path: [], code: 'refused', message: error.sentence ?? error.message }]
      state.value = sync.refuseEdit(state.value, editId, error.problem?.issues ?? fallback)
      keeping.value = state.value.pending.length > 0 ? 'sending' : 'kept'
    }
  }
  return {
    keptAt,
    schedule,
    send,
    isUnderWay: (editId: string) => inFlight.includes(editId),
    end: () => clearTimeout(timer),
    /** Nothing is sent from here on, not even by a sending that comes back. */
    stop() {
      isOver = true
      clearTimeout(timer)
    },
  }
}
