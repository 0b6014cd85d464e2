// Undo and redo as edits of their own: the inverse patches of what was done, applied to the document as it is now.
import { applyPatches, isAsLeftBy } from './patches.ts'
import type { Check, EditMade } from './edits.ts'

export interface UndoState {
  past: EditMade[]
  future: EditMade[]
}

/** Before the name of an edit that takes another back: in the history it is no second deed of that kind. */
export const TAKEN_BACK = 'undo:'

export const emptyUndo: UndoState = { past: [], future: [] }

/**
 * Records an edit made here; what had been undone can then no longer be redone. `goesOn` says that it may carry on the
 * last one, as each letter typed carries on a text: then both are one step.
 */
export function recordEdit(state: UndoState, made: EditMade, goesOn = false): UndoState {
  const last = state.past.at(-1)
  if (goesOn && last && carriesOn(last, made)) {
    const merged = { name: made.name, patches: made.patches, inverse: last.inverse }
    return { past: [...state.past.slice(0, -1), merged], future: [] }
  }
  return { past: [...state.past, made], future: [] }
}

/**
 * Records an edit that follows by itself from an earlier one of the same name, as a film's length does from the film:
 * both are one step. Where the earlier one was made in another sitting nothing is recorded.
 */
export function amendEdit(state: UndoState, made: EditMade): UndoState {
  const index = state.past.findLastIndex((step) => step.name === made.name)
  const step = state.past[index]
  if (!step) return state
  const whole = {
    name: step.name,
    patches: [...step.patches, ...made.patches],
    inverse: [...made.inverse, ...step.inverse],
  }
  return { ...state, past: state.past.with(index, whole) }
}

/** Whether both edits do nothing but set the same properties, so that the later one makes the earlier one moot. */
export function carriesOn(
  earlier: Pick<EditMade, 'name' | 'patches'>,
  later: Pick<EditMade, 'name' | 'patches'>,
): boolean {
  return (
    earlier.name === later.name &&
    earlier.patches.length === later.patches.length &&
    earlier.patches.length > 0 &&
    earlier.patches.every((patch, index) => {
      const next = later.patches[index]!
      return patch.op === 'replace' && next.op === 'replace' && patch.path === next.path
    })
  )
}

export type UndoneOf<Doc> =
  | { ok: true; state: UndoState; document: Doc; made: EditMade }
  /** Somebody else's edit stands in the way: that step is given up, and its name told. */
  | { ok: false; state: UndoState; name: string }

/** Taking back and doing again in documents of one type. */
export function undoOf<Doc extends object>(check: Check<Doc>) {
  /** Takes back the last edit; null when there is none. What somebody has changed since is not taken from them. */
  function undo(state: UndoState, document: Doc): UndoneOf<Doc> | null {
    const last = state.past.at(-1)
    if (!last) return null
    const past = state.past.slice(0, -1)
    const before = isAsLeftBy(document, last.patches) && applyIfValid(document, last.inverse)
    if (!before) return { ok: false, state: { ...state, past }, name: last.name }
    const made = { name: TAKEN_BACK + last.name, patches: last.inverse, inverse: last.patches }
    return { ok: true, state: { past, future: [...state.future, last] }, document: before, made }
  }

  /** Does again what was last taken back; null when there is none. */
  function redo(state: UndoState, document: Doc): UndoneOf<Doc> | null {
    const next = state.future.at(-1)
    if (!next) return null
    const future = state.future.slice(0, -1)
    const after = isAsLeftBy(document, next.inverse) && applyIfValid(document, next.patches)
    if (!after) return { ok: false, state: { ...state, future }, name: next.name }
    return { ok: true, state: { past: [...state.past, next], future }, document: after, made: next }
  }

  function applyIfValid(document: Doc, patches: EditMade['patches']): Doc | null {
    const applied = applyPatches(document, patches)
    return applied.ok && check(applied.value).ok ? applied.value : null
  }

  return { undo, redo }
}
