// Edits as they are made on this device: on screen and kept at once, each a step that can be undone.
import { nanoid } from 'nanoid'
import { computed, shallowRef } from 'vue'
import {
  amendEdit,
  carriesOn,
  emptyUndo,
  recordEdit,
  runEditOn,
  undoOf,
  type EditMade,
  type EditOf,
  type UndoneOf,
} from '@fernbrake/core/drafts'
import type { Held } from './held.ts'

/** Letters typed within this time of one another are one step of undo, in ms. */
const SAME_STEP_MS = 1500

/** `isUnderWay` tells which edits are being sent; `onMade` hears that there is something to send. */
export function createMaking<D extends object>(
  { kind: { check }, sync, state, keeping, notice, storage }: Held<D>,
  isUnderWay: (editId: string) => boolean,
  onMade: () => void,
) {
  const back = undoOf<D>(check)
  const steps = shallowRef(emptyUndo)
  let lastMadeMs = -Infinity
  let position = Date.now()

  /** Makes a named edit. Answers false, with a notice, where the document would not be valid. */
  function make<A>(edit: EditOf<D, A>, args: A): boolean {
    const outcome = runEditOn(check, state.value.view, edit, args)
    if (!outcome.ok) {
      notice.value = { kind: 'invalid', name: edit.name, issues: outcome.issues }
      return false
    }
    notice.value = null
    if (outcome.made.patches.length === 0) return true
    const goesOn = !edit.alone && performance.now() - lastMadeMs < SAME_STEP_MS
    lastMadeMs = edit.alone ? -Infinity : performance.now()
    steps.value = recordEdit(steps.value, outcome.made, goesOn)
    keep(outcome.made, outcome.document, goesOn)
    return true
  }

  /** Makes an edit that follows by itself from one made before, and is undone together with it. */
  function amend<A>(edit: EditOf<D, A>, args: A): void {
    const outcome = runEditOn(check, state.value.view, edit, args)
    if (!outcome.ok || outcome.made.patches.length === 0) return
    steps.value = amendEdit(steps.value, outcome.made)
    keep(outcome.made, outcome.document, false)
  }

  /** Puts an edit among the waiting ones; letters of one word that have not been sent travel as one edit. */
  function keep(made: EditMade, view: D, goesOn: boolean): void {
    const last = state.value.pending.at(-1)
    const merges = goesOn && last && !isUnderWay(last.id) && carriesOn(last, made)
    const { name, patches } = made
    if (merges) {
      const merged = { ...last, patches }
      const pending = [...state.value.pending.slice(0, -1), merged]
      state.value = { ...state.value, pending, view }
      void storage.put(merged, position)
    } else {
      const edit = { id: nanoid(), name, patches }
      state.value = sync.addOwnEdit(state.value, edit, view)
      void storage.put(edit, (position += 1))
    }
    if (keeping.value === 'kept') keeping.value = 'sending'
    onMade()
  }

  function step(outcome: UndoneOf<D> | null): void {
    if (!outcome) return
    steps.value = outcome.state
    lastMadeMs = -Infinity
    notice.value = outcome.ok ? null : { kind: 'undoBlocked', name: outcome.name, issues: [] }
    if (outcome.ok) keep(outcome.made, outcome.document, false)
  }
  return {
    make,
    amend,
    undo: () => step(back.undo(steps.value, state.value.view)),
    redo: () => step(back.redo(steps.value, state.value.view)),
    undoName: computed(() => steps.value.past.at(-1)?.name ?? null),
    redoName: computed(() => steps.value.future.at(-1)?.name ?? null),
    forgetSteps: () => void (steps.value = emptyUndo),
  }
}
