// Edits of a document: named functions on a draft of it, which yield patches forwards and back.
import { enablePatches, produceWithPatches } from 'immer'
import type { Issue } from '../fields/index.ts'
import { fromImmerPatches, type Patch } from './patches.ts'

export type Checked<Doc> = { ok: true; value: Doc } | { ok: false; issues: Issue[] }

/** Whether a value is a document of one type; never throws. */
export type Check<Doc> = (value: unknown) => Checked<Doc>

/** An edit: what it is called in “Undo: …” (a key of the language files) and what it does to a draft. */
export interface EditOf<Doc, A> {
  name: string
  /** Each is a step of undo of its own, however quickly it follows on another: a choice is, a letter is not. */
  alone?: true
  change(draft: Doc, args: A): void
}

export interface EditMade {
  name: string
  patches: Patch[]
  inverse: Patch[]
}

export type MadeOf<Doc> =
  { ok: true; document: Doc; made: EditMade } | { ok: false; issues: Issue[] }

/**
 * Runs an edit without touching `document`. The same call answers “would this work?”: its result may be thrown away.
 * Fails with issues when the result would not be a valid document; an edit that changes nothing yields no patches.
 */
export function runEditOn<Doc extends object, A>(
  check: Check<Doc>,
  document: Doc,
  { name, change }: EditOf<Doc, A>,
  args: A,
): MadeOf<Doc> {
  enablePatches()
  const [next, patches, inverse] = produceWithPatches(document, (draft) => {
    change(draft as Doc, args)
  })
  const checked = check(next)
  if (!checked.ok) return checked
  const made = { name, patches: fromImmerPatches(patches), inverse: fromImmerPatches(inverse) }
  return { ok: true, document: next as Doc, made }
}
