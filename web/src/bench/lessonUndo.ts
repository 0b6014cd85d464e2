// In fields that write into the lesson, undo and redo are the lesson's own: the browser's know nothing of what another tab or
// editor changed.
import type { Draft } from './useDraft.ts'

type Undoing = Pick<Draft, 'undo' | 'redo'>

/** Undoes or does again what the keys ask for; false where they ask for neither. */
export function undoneByKey(draft: Undoing, event: KeyboardEvent): boolean {
  const key = event.key.toLowerCase()
  if (!(event.ctrlKey || event.metaKey) || event.altKey || (key !== 'z' && key !== 'y'))
    return false
  event.preventDefault()
  if (key === 'y' || event.shiftKey) draft.redo()
  else draft.undo()
  return true
}

/** The same, asked for by a menu or a gesture. */
export function undoneByInput(draft: Undoing, event: InputEvent): boolean {
  if (event.inputType !== 'historyUndo' && event.inputType !== 'historyRedo') return false
  event.preventDefault()
  if (event.inputType === 'historyUndo') draft.undo()
  else draft.redo()
  return true
}
