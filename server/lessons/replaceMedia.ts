// Putting another medium in the place of one, in all lessons of a person.
import { nanoid } from 'nanoid'
import type { Person } from '@fernbrake/core/contract'
import { edits, runEdit } from '@fernbrake/core/lesson'
import type { Context } from '../context.ts'
import { LessonRow, MediaRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import { lessonsToReplaceIn } from '../media/queries/mediaUses.ts'
import { acceptEdits } from './drafts.ts'

/**
 * Puts another medium of the same person and kind in a medium's place, in the drafts of all lessons that the person
 * may edit, as an edit like any other: it stands in their history and can be undone there. Editions stay as they are.
 */
export async function replaceEverywhere(
  context: Context,
  person: Person,
  mediaId: string,
  by: string,
): Promise<{ lessons: string[]; left: string[] }> {
  const [old, next] = await Promise.all([
    MediaRow.findByPk(mediaId),
    MediaRow.findOne({ where: { id: by, ownerId: person.id } }),
  ])
  if (!old || !next) throw new HttpError('not-found')
  if (old.kind !== next.kind || next.state !== 'ready' || next.hosted)
    throw new HttpError('invalid-input', {
      issues: [
        {
          path: ['body', 'by'],
          code: 'kind',
          message: 'is not ready, or of another kind, or hosted',
        },
      ],
    })
  const film =
    next.kind === 'film'
      ? { durationMs: next.durationMs ?? null, frameRate: next.frameRate ?? null }
      : null
  const reply = { lessons: [] as string[], left: [] as string[] }
  for (const lessonId of await lessonsToReplaceIn(context.database, person.id, mediaId)) {
    const isDone = await replaceIn(context, person, lessonId, { from: mediaId, to: by, film })
    reply[isDone ? 'lessons' : 'left'].push(lessonId)
  }
  return reply
}

/** Answers false, and changes nothing, where the draft would not be a valid lesson or somebody was faster. */
async function replaceIn(
  context: Context,
  person: Person,
  lessonId: string,
  args: Parameters<typeof edits.replaceMedia.change>[1],
): Promise<boolean> {
  const row = await LessonRow.findByPk(lessonId)
  const outcome = row && runEdit(row.draft, edits.replaceMedia, args)
  if (!row || !outcome?.ok) return false
  const { name, patches } = outcome.made
  const edit = { id: nanoid(), name, patches }
  try {
    await acceptEdits(context, person, lessonId, { revision: row.revision, edits: [edit] })
    return true
  } catch (error) {
    if (error instanceof HttpError) return false
    throw error
  }
}
