// The draft in the bench: makes edits, keeps them at once, sends them, takes in what others do, undoes and redoes.
import { nanoid } from 'nanoid'
import { computed, onScopeDispose, ref, shallowRef, type InjectionKey, inject, provide } from 'vue'
import type { DraftReply, EditionSummary } from '@fernbrake/core/contract'
import { pauseAfter, type Issue } from '@fernbrake/core/fields'
import {
  addOwnEdit,
  amendEdit,
  carriesOn,
  dropKnown,
  dropRefused,
  emptyUndo,
  noteEdit,
  openDraft,
  receiveEdits,
  redo,
  refuseEdit,
  reopenDraft,
  retryRefused,
  runEdit,
  undo,
  type DraftState,
  type Edit,
  type EditMade,
  type Lesson,
  type LoggedEdit,
  type PendingEdit,
  type UndoOutcome,
} from '@fernbrake/core/lesson'
import { ApiError, call } from '../api/client.ts'
import { liveSocket } from '../api/live.ts'
import { openEditStorage, type EditStorage } from './editStorage.ts'

/** Letters typed within this time of one another are one step of undo, in ms. */
const SAME_STEP_MS = 1500
/** Edits are gathered this long before they are sent, in ms. */
const GATHER_MS = 250
/** How long is waited while the server cannot be reached. */
const PAUSES = { firstMs: 3000, mostMs: 30_000 }
const MOST_AT_ONCE = 100
/** Less than the server takes at once, in characters; one edit alone may be longer. */
const LONGEST_BATCH = 2_000_000

export type Keeping = 'kept' | 'sending' | 'offline' | 'signedOut'

export type Draft = ReturnType<typeof createDraft>

/** The oldest waiting edits that travel together. */
function nextBatch(pending: readonly PendingEdit[]): PendingEdit[] {
  let length = 0
  const end = pending.findIndex((edit, index) => {
    length += JSON.stringify(edit.patches).length
    return index === MOST_AT_ONCE || (index > 0 && length > LONGEST_BATCH)
  })
  return pending.slice(0, end < 0 ? pending.length : end)
}

/** Opens a lesson's draft; throws ApiError. */
export async function openBenchDraft(lessonId: string): Promise<Draft> {
  const [reply, storage] = await Promise.all([
    call('lesson', { params: { lessonId } }),
    openEditStorage(lessonId),
  ])
  return createDraft(reply, storage, await storage.read())
}

function createDraft(reply: DraftReply, storage: EditStorage, waiting: PendingEdit[]) {
  const lessonId = reply.id
  const state = shallowRef<DraftState>(openDraft(reply.lesson, reply.revision, waiting))
  const steps = shallowRef(emptyUndo)
  const keeping = ref<Keeping>('kept')
  const keptAt = ref(new Date(reply.updatedAt))
  const editions = shallowRef<EditionSummary[]>(reply.editions)
  const linkCode = ref(reply.linkCode)
  const notice = ref<{ kind: 'undoBlocked' | 'invalid'; name: string; issues: Issue[] } | null>(
    null,
  )
  let lastMadeMs = 0
  let position = Date.now()
  let inFlight: readonly string[] = []
  /** Sendings in a row that reached nobody. */
  let failures = 0
  let sendTimer: ReturnType<typeof setTimeout> | undefined

  function scheduleSend(afterMs = GATHER_MS): void {
    clearTimeout(sendTimer)
    sendTimer = setTimeout(() => void send(), afterMs)
  }

  /** Makes a named edit. Answers false, with a notice, where the lesson would not be valid. */
  function make<A>(edit: Edit<A>, args: A): boolean {
    const outcome = runEdit(state.value.view, edit, args)
    if (!outcome.ok) {
      notice.value = { kind: 'invalid', name: edit.name, issues: outcome.issues }
      return false
    }
    notice.value = null
    if (outcome.made.patches.length === 0) return true
    const goesOn = performance.now() - lastMadeMs < SAME_STEP_MS
    lastMadeMs = performance.now()
    steps.value = noteEdit(steps.value, outcome.made, goesOn)
    take(outcome.made, outcome.lesson, goesOn)
    return true
  }

  /** Makes an edit that follows by itself from one made before, and is undone together with it. */
  function amend<A>(edit: Edit<A>, args: A): void {
    const outcome = runEdit(state.value.view, edit, args)
    if (!outcome.ok || outcome.made.patches.length === 0) return
    steps.value = amendEdit(steps.value, outcome.made)
    take(outcome.made, outcome.lesson, false)
  }

  /** Puts an edit among the waiting ones; letters of one word that have not been sent travel as one edit. */
  function take(made: EditMade, lesson: Lesson, goesOn: boolean): void {
    const last = state.value.pending.at(-1)
    const merges = goesOn && last && !inFlight.includes(last.id) && carriesOn(last, made)
    const { name, patches } = made
    if (merges) {
      const merged = { ...last, patches }
      const pending = [...state.value.pending.slice(0, -1), merged]
      state.value = { ...state.value, pending, view: lesson }
      void storage.put(merged, position)
    } else {
      const edit = { id: nanoid(), name, patches }
      state.value = addOwnEdit(state.value, edit, lesson)
      void storage.put(edit, (position += 1))
    }
    if (keeping.value === 'kept') keeping.value = 'sending'
    scheduleSend()
  }

  function step(outcome: UndoOutcome | null): void {
    if (!outcome) return
    steps.value = outcome.state
    lastMadeMs = 0
    notice.value = outcome.ok ? null : { kind: 'undoBlocked', name: outcome.name, issues: [] }
    if (outcome.ok) take(outcome.made, outcome.lesson, false)
  }

  async function send(): Promise<void> {
    if (inFlight.length > 0 || state.value.pending.length === 0) return
    const edits = nextBatch(state.value.pending)
    inFlight = edits.map((edit) => edit.id)
    try {
      const reply = await call('editDraft', {
        params: { lessonId },
        body: { revision: state.value.revision, edits },
      })
      const isTaken = takeIn(reply.entries, reply.known)
      if (!isTaken || state.value.revision < reply.revision) await catchUp()
      keeping.value = state.value.pending.length > 0 ? 'sending' : 'kept'
      keptAt.value = new Date()
    } catch (error) {
      onSendFailed(error, edits)
    } finally {
      inFlight = []
    }
    const isAway = keeping.value === 'offline' || keeping.value === 'signedOut'
    failures = isAway ? failures + 1 : 0
    if (state.value.pending.length > 0) scheduleSend(isAway ? pauseAfter(failures, PAUSES) : 0)
  }

  function onSendFailed(error: unknown, edits: PendingEdit[]): void {
    if (!(error instanceof ApiError) || error.isPassing) keeping.value = 'offline'
    else if (error.status === 401) keeping.value = 'signedOut'
    else {
      const editId = error.problem?.editId ?? edits[0]!.id
      const fallback = [{ path: [], code: 'refused', message: error.message }]
      state.value = refuseEdit(state.value, editId, error.problem?.issues ?? fallback)
      keeping.value = state.value.pending.length > 0 ? 'sending' : 'kept'
    }
  }

  /** Takes in what others did, or what was missed; answers false where it does not follow on what is here. */
  function takeIn(entries: readonly LoggedEdit[], known: readonly string[] = []): boolean {
    const next = receiveEdits(state.value, entries)
    if (next) settle(dropKnown(next, known))
    return next !== null
  }

  function settle(next: DraftState): void {
    const before = state.value.pending.map((edit) => edit.id)
    state.value = next
    // A refused edit stays on the device until it is dropped: after a reload it is tried again.
    const still = new Set([...next.pending, ...next.refused].map((edit) => edit.id))
    const gone = before.filter((id) => !still.has(id))
    if (gone.length > 0) void storage.drop(gone)
  }

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
      const { revision, entries } = await call('draftEdits', {
        params: { lessonId },
        query: { since },
      })
      const isTaken = takeIn(entries)
      if (isTaken && state.value.revision >= revision) return
      // A log that does not fit, or leads nowhere, will not by being asked for again.
      if (!isTaken || state.value.revision === since) return reopen()
    }
  }

  async function reopen(): Promise<void> {
    const { lesson, revision } = await call('lesson', { params: { lessonId } })
    settle(reopenDraft(state.value, lesson, revision))
    steps.value = emptyUndo
  }

  /** Grows whenever the lesson's room was entered, at first and after a lost connection. */
  const watched = ref(0)
  const socket = liveSocket()
  const onEdited = (message: { lessonId: string; entries: LoggedEdit[] }) => {
    if (message.lessonId === lessonId && !takeIn(message.entries)) void catchUp()
  }
  const onConnect = () => {
    socket.emit('watchLesson', { lessonId }, () => (watched.value += 1))
    void catchUp()
    scheduleSend(0)
  }
  const onOnline = () => scheduleSend(0)
  socket.on('draftEdited', onEdited)
  socket.on('connect', onConnect)
  if (socket.connected) onConnect()
  window.addEventListener('online', onOnline)
  if (waiting.length > 0) scheduleSend(0)

  function close(): void {
    socket.off('draftEdited', onEdited)
    socket.off('connect', onConnect)
    window.removeEventListener('online', onOnline)
    clearTimeout(sendTimer)
    void send()
  }

  return {
    lessonId,
    role: reply.role,
    state,
    lesson: computed(() => state.value.view),
    keeping,
    keptAt,
    editions,
    linkCode,
    notice,
    make,
    amend,
    undo: () => step(undo(steps.value, state.value.view)),
    redo: () => step(redo(steps.value, state.value.view)),
    undoName: computed(() => steps.value.past.at(-1)?.name ?? null),
    redoName: computed(() => steps.value.future.at(-1)?.name ?? null),
    dropRefused(id: string) {
      state.value = dropRefused(state.value, id)
      void storage.drop([id])
    },
    /** Tries a refused edit again; answers false where it does not fit any more. */
    retryRefused(id: string): boolean {
      const next = retryRefused(state.value, id)
      if (next) state.value = next
      if (next) scheduleSend()
      return next !== null
    },
    watched,
    catchUp,
    send,
    close,
  }
}

const KEY: InjectionKey<Draft> = Symbol('draft')

/** Makes the draft known to the components below, and closes it with the view. */
export function provideDraft(draft: Draft): void {
  provide(KEY, draft)
}

export function closeWithScope(draft: () => Draft | null): void {
  onScopeDispose(() => draft()?.close())
}

export function useDraft(): Draft {
  const draft = inject(KEY)
  if (!draft) throw new Error('No draft is open here')
  return draft
}
