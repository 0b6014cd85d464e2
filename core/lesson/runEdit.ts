// Edits of a lesson: those of core/drafts, held to what a lesson is.
import { runEditOn, type EditMade, type EditOf } from '../drafts/index.ts'
import type { Issue } from '../fields/index.ts'
import { checkLesson } from './check.ts'
import type { Lesson } from './schema.ts'

export type Edit<A> = EditOf<Lesson, A>
export type EditOutcome =
  { ok: true; lesson: Lesson; made: EditMade } | { ok: false; issues: Issue[] }

/** Runs an edit without touching `lesson`; see `runEditOn`. */
export function runEdit<A>(lesson: Lesson, edit: Edit<A>, args: A): EditOutcome {
  const outcome = runEditOn(checkLesson, lesson, edit, args)
  return outcome.ok ? { ok: true, lesson: outcome.document, made: outcome.made } : outcome
}
