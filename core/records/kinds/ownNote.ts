// What a learner wrote for themselves, or that it is gone; see core/notes. Of one note the newest by `at` holds.
import { z } from 'zod'
import { clockSchema, idSchema, made, plainText } from '../../fields/index.ts'
import { LONGEST_NOTE, withNote } from '../../notes/index.ts'
import type { Advance, RecordKind } from '../base.ts'
import { partFault } from '../places.ts'
import { notePlaceSchema } from '../placeSchemas.ts'

export const ownNoteRecordSchema = /* @__PURE__ */ made(() =>
  z.strictObject({
    kind: z.literal('ownNote'),
    id: idSchema,
    noteId: idSchema,
    partId: idSchema,
    place: notePlaceSchema,
    words: plainText(LONGEST_NOTE),
    isGone: z.boolean(),
    at: clockSchema,
  }),
)
export type OwnNoteRecord = z.infer<typeof ownNoteRecordSchema>

export const ownNote: RecordKind<OwnNoteRecord> = {
  timesIn: ({ at }) => [at],
  faultIn: partFault,
  report({ notes }, { kind: _, ...note }, heard) {
    notes.push({ ...note, at: heard(note.at).toISOString() })
  },
}

export const advanceOwnNote: Advance<OwnNoteRecord> = (
  progress,
  { noteId, partId, place, words, isGone, at },
) => {
  const note = isGone ? null : { id: noteId, partId, place, words, at }
  progress.ownNotes = withNote(progress.ownNotes, noteId, note)
}
