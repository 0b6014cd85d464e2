// Going back to an earlier state of the lesson, as an edit like any other: it can be undone.
import { emptyEnding } from '../parts/base.ts'
import type { Edit } from '../runEdit.ts'
import type { Lesson } from '../schema.ts'

const MAPS = ['parts', 'scripts', 'cues', 'questions', 'looks', 'materials', 'routes'] as const
/** What a lesson may do without. */
const MAY_LACK = [
  ...([
    'navigation',
    'numbering',
    'objectives',
    'tags',
    'level',
    'licence',
    'cover',
    'theme',
  ] as const),
]
const isSame = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)

/** Makes the lesson what `lesson` is; what is the same already is not touched, so that few patches come of it. */
export const restoreLesson: Edit<{ lesson: Lesson }> = {
  name: 'restoreLesson',
  change: (draft, { lesson }) => {
    for (const name of MAPS)
      if (draft[name] || lesson[name]) restoreMap(mapOf(draft, name), lesson[name] ?? {})
    for (const name of ['title', 'summary', 'language', 'ending'] as const)
      if (!isSame(draft[name], lesson[name])) Object.assign(draft, { [name]: lesson[name] })
    for (const name of MAY_LACK)
      if (lesson[name] === undefined) delete draft[name]
      else if (!isSame(draft[name], lesson[name])) Object.assign(draft, { [name]: lesson[name] })
  },
}

/**
 * Puts into the lesson what another one holds, as one that was made from a template. Only what is empty here is filled: what has been
 * said about the lesson stays, and nothing that is there already goes.
 */
export const beginFrom: Edit<{ lesson: Lesson }> = {
  name: 'beginFrom',
  change: (draft, { lesson }) => {
    for (const name of MAPS) if (lesson[name]) Object.assign(mapOf(draft, name), lesson[name])
    for (const name of ['title', 'summary'] as const)
      if (draft[name].trim() === '') draft[name] = lesson[name]
    if (isSame(draft.ending, emptyEnding())) draft.ending = lesson.ending
    for (const name of MAY_LACK)
      if (draft[name] === undefined && lesson[name] !== undefined)
        Object.assign(draft, { [name]: lesson[name] })
  },
}

/** A map of the lesson; one that it does without is put in where there is something to restore. */
function mapOf(draft: Lesson, name: (typeof MAPS)[number]): Record<string, unknown> {
  return (draft[name] ??= {})
}

function restoreMap(now: Record<string, unknown>, then: Record<string, unknown>): void {
  for (const id of Object.keys(now)) if (!Object.hasOwn(then, id)) delete now[id]
  for (const [id, thing] of Object.entries(then)) if (!isSame(now[id], thing)) now[id] = thing
}
