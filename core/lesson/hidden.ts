// Parts that learners are not to have yet.
import { removePart } from './edits/index.ts'
import { runEdit } from './runEdit.ts'
import type { Lesson } from './schema.ts'

/** The lesson as an edition holds it: without the parts that are hidden, and without what names them. */
export function withoutHidden(lesson: Lesson): Lesson {
  return Object.values(lesson.parts)
    .filter(({ hidden }) => hidden)
    .reduce((left, { id: partId }) => {
      const outcome = runEdit(left, removePart, { partId })
      // Removing leaves nothing that names the part, so this is a fault of ours and no one else's.
      if (!outcome.ok) throw new Error(`A hidden part could not be left out: ${partId}`)
      return outcome.lesson
    }, lesson)
}
