// The draft of a lesson: that of any document (core/drafts), held to what a lesson is.
import { syncOf, undoOf, type EditMade, type StateOf, type UndoState } from '../drafts/index.ts'
import { checkLesson } from './check.ts'
import type { Lesson } from './schema.ts'

export type DraftState = StateOf<Lesson>

export const {
  openDraft,
  addOwnEdit,
  receiveEdits,
  dropKnown,
  reopenDraft,
  refuseEdit,
  retryRefused,
  dropRefused,
} = syncOf<Lesson>(checkLesson)

export type UndoOutcome =
  | { ok: true; state: UndoState; lesson: Lesson; made: EditMade }
  /** Somebody else's edit stands in the way: that step is given up, and its name told. */
  | { ok: false; state: UndoState; name: string }

const steps = undoOf<Lesson>(checkLesson)

const withLesson = (outcome: ReturnType<typeof steps.undo>): UndoOutcome | null =>
  outcome?.ok
    ? { ok: true, state: outcome.state, lesson: outcome.document, made: outcome.made }
    : outcome

/** Takes back the last edit; null when there is none. What somebody has changed since is not taken from them. */
export const undo = (state: UndoState, lesson: Lesson) => withLesson(steps.undo(state, lesson))

/** Does again what was last taken back; null when there is none. */
export const redo = (state: UndoState, lesson: Lesson) => withLesson(steps.redo(state, lesson))
