// The only door of core/drafts: documents of any type that several people edit at once, each edit a list of patches. A lesson is
// one such document (core/lesson/runEdit.ts).
export { applyPatches, patchSchema, type Patch } from './patches.ts'
export {
  runEditOn,
  type Check,
  type Checked,
  type EditMade,
  type EditOf,
  type MadeOf,
} from './edits.ts'
export {
  syncOf,
  type LoggedEdit,
  type PendingEdit,
  type RefusedEdit,
  type StateOf,
} from './sync.ts'
export {
  amendEdit,
  carriesOn,
  emptyUndo,
  recordEdit,
  TAKEN_BACK,
  undoOf,
  type UndoneOf,
  type UndoState,
} from './undo.ts'
