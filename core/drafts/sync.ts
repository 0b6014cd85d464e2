// How several editors come to one document, of whatever type: what it may be is told by its `check`. A client holds what the
// server has confirmed and its own unsent edits; what it shows is the one with the others replayed on top. Pure; storage and
// network are the caller's.
import type { Issue } from '../fields/index.ts'
import type { Check } from './edits.ts'
import { applyPatches, type Patch } from './patches.ts'

/** An edit that the server has not acknowledged. */
export interface PendingEdit {
  id: string
  name: string
  patches: Patch[]
}

/** An edit in the server's log; revisions are consecutive. */
export interface LoggedEdit extends PendingEdit {
  revision: number
}

/** An edit that could not be applied, kept until it is mended or dropped. */
export interface RefusedEdit extends PendingEdit {
  issues: Issue[]
}

export interface StateOf<Doc> {
  confirmed: Doc
  revision: number
  pending: PendingEdit[]
  refused: RefusedEdit[]
  /** `confirmed` with `pending` on top: what is on screen. */
  view: Doc
}

/** How drafts of one type of document are held. */
export function syncOf<Doc extends object>(check: Check<Doc>) {
  /** A draft as it came from the server, with edits that were waiting on this device replayed on it. */
  function openDraft(document: Doc, revision: number, waiting: PendingEdit[] = []): StateOf<Doc> {
    return replay({ confirmed: document, revision, pending: waiting, refused: [], view: document })
  }

  /** Adds an edit made here; its result is already known. */
  function addOwnEdit(state: StateOf<Doc>, edit: PendingEdit, view: Doc): StateOf<Doc> {
    return { ...state, pending: [...state.pending, edit], view }
  }

  /**
   * Takes in edits from the server's log, own ones included. Those already known are passed over.
   * Returns null when revisions are missing in between: then the caller must ask the server for them.
   */
  function receiveEdits(state: StateOf<Doc>, entries: readonly LoggedEdit[]): StateOf<Doc> | null {
    let { confirmed, revision, pending, refused } = state
    for (const entry of entries) {
      if (entry.revision <= revision) continue
      if (entry.revision !== revision + 1) return null
      const applied = applyPatches(confirmed, entry.patches)
      if (!applied.ok) return null
      confirmed = applied.value
      revision = entry.revision
      pending = pending.filter((edit) => edit.id !== entry.id)
      refused = refused.filter((edit) => edit.id !== entry.id)
    }
    if (revision === state.revision) return state
    return replay({ ...state, confirmed, revision, pending, refused })
  }

  /** Forgets waiting edits that the server says it has taken in already, at a revision that is known here. */
  function dropKnown(state: StateOf<Doc>, ids: readonly string[]): StateOf<Doc> {
    const known = new Set(ids)
    const pending = state.pending.filter((edit) => !known.has(edit.id))
    return pending.length === state.pending.length ? state : replay({ ...state, pending })
  }

  /** Begins anew on the draft as the server has it, where its log does not fit what is here; what waits still waits. */
  function reopenDraft(state: StateOf<Doc>, document: Doc, revision: number): StateOf<Doc> {
    return replay({ ...state, confirmed: document, revision })
  }

  /** Takes an edit out of the waiting ones because the server refused it; later edits are replayed without it. */
  function refuseEdit(state: StateOf<Doc>, editId: string, issues: Issue[]): StateOf<Doc> {
    const edit = state.pending.find((candidate) => candidate.id === editId)
    if (!edit) return state
    const pending = state.pending.filter((candidate) => candidate.id !== editId)
    return replay({ ...state, pending, refused: [...state.refused, { ...edit, issues }] })
  }

  /** Puts a refused edit among the waiting ones again, where it fits the document as it is now; null where it does not. */
  function retryRefused(state: StateOf<Doc>, editId: string): StateOf<Doc> | null {
    const edit = state.refused.find((candidate) => candidate.id === editId)
    const applied = edit && applyPatches(state.view, edit.patches)
    if (!edit || !applied?.ok) return null
    const { id, name, patches } = edit
    const waiting = {
      ...dropRefused(state, editId),
      pending: [...state.pending, { id, name, patches }],
    }
    return { ...waiting, view: applied.value }
  }

  /** Forgets a refused edit. */
  function dropRefused(state: StateOf<Doc>, editId: string): StateOf<Doc> {
    return { ...state, refused: state.refused.filter((edit) => edit.id !== editId) }
  }

  function replay(state: StateOf<Doc>): StateOf<Doc> {
    const replayed = replayEdits(state, false)
    if (replayed.pending.length === 0 || check(replayed.view).ok) return replayed
    // Each fits by its places, but together they make no such document: then each is looked at by itself.
    return replayEdits(state, true)
  }

  function replayEdits(state: StateOf<Doc>, checksEach: boolean): StateOf<Doc> {
    let view = state.confirmed
    const pending: PendingEdit[] = []
    const refused = [...state.refused]
    for (const edit of state.pending) {
      const applied = applyPatches(view, edit.patches)
      const checked = applied.ok && checksEach ? check(applied.value) : applied
      if (checked.ok) {
        view = checked.value
        pending.push(edit)
      } else refused.push({ ...edit, issues: checked.issues })
    }
    return { ...state, pending, refused, view }
  }

  return {
    openDraft,
    addOwnEdit,
    receiveEdits,
    dropKnown,
    reopenDraft,
    refuseEdit,
    retryRefused,
    dropRefused,
  }
}
