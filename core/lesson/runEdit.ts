// Runs a named edit on a draft and yields its patches, forwards and back.
import { enablePatches, produceWithPatches } from 'immer'
import type { Issue } from '../fields/index.ts'
import { checkLesson } from './check.ts'
import { fromImmerPatches, type Patch } from './patches.ts'
import type { Lesson } from './schema.ts'

/** An edit: what it is called in “Undo: …” (a key of the language files) and what it does to a draft. */
export interface Edit<A> {
  name: string
  change(draft: Lesson, args: A): void
}

export interface EditMade {
  name: string
  patches: Patch[]
  inverse: Patch[]
}

export type EditOutcome =
  { ok: true; lesson: Lesson; made: EditMade } | { ok: false; issues: Issue[] }

/**
 * Runs an edit without touching `lesson`. The same call answers “would this work?”: its result may be thrown away.
 * Fails with issues when the result would not be a valid lesson; an edit that changes nothing yields no patches.
 */
export function runEdit<A>(lesson: Lesson, edit: Edit<A>, args: A): EditOutcome {
  enablePatches()
  const [next, patches, inverse] = produceWithPatches(lesson, (draft) => {
    edit.change(draft as Lesson, args)
  })
  const checked = checkLesson(next)
  if (!checked.ok) return checked
  return {
    ok: true,
    lesson: next,
    made: {
      name: edit.name,
      patches: fromImmerPatches(patches),
      inverse: fromImmerPatches(inverse),
    },
  }
}
