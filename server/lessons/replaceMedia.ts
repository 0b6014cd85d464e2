// Putting another medium in the place of one, in all lessons of a person; what that would change; and taking it back.
import { nanoid } from 'nanoid'
import type { BodyOf, contract, Person, ReplyOf } from '@fernbrake/core/contract'
import { undoOf, type EditMade } from '@fernbrake/core/drafts'
import { beyondEndOf, checkLesson, edits, runEdit, type Lesson } from '@fernbrake/core/lesson'
import type { Context } from '../context.ts'
import { LessonRow, MediaRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import { lessonsToReplaceIn } from '../media/queries/mediaUses.ts'
import { acceptEdits, readStateAt } from './drafts.ts'
import { hasLessonRole } from './roles.ts'

type Args = Parameters<typeof edits.replaceMedia.change>[1]
type Done = BodyOf<(typeof contract)['takeBackReplacement']>['done'][number]

/** What is replaced by what. Throws where the other is not this person's, not ready, or of another kind. */
async function argsOf(person: Person, mediaId: string, by: string, at: 'body' | 'query') {
  const [old, next] = await Promise.all([
    MediaRow.findByPk(mediaId),
    MediaRow.findOne({ where: { id: by, ownerId: person.id } }),
  ])
  if (!old || !next) throw new HttpError('not-found')
  if (old.kind !== next.kind || next.state !== 'ready' || next.hosted)
    throw new HttpError('invalid-input', {
      issues: [
        { path: [at, 'by'], code: 'kind', message: 'is not ready, or of another kind, or hosted' },
      ],
    })
  const film =
    next.kind === 'film'
      ? { durationMs: next.durationMs ?? null, frameRate: next.frameRate ?? null }
      : null
  const args: Args = { from: mediaId, to: by, film }
  return args
}

/** What would become of each lesson that the person may edit. */
export async function compareReplacement(
  { database }: Context,
  person: Person,
  mediaId: string,
  by: string,
): Promise<ReplyOf<(typeof contract)['compareMedia']>> {
  const args = await argsOf(person, mediaId, by, 'query')
  const ids = await lessonsToReplaceIn(database, person.id, mediaId)
  const rows = await LessonRow.findAll({ where: { id: ids } })
  const lessons = rows.map(({ id, draft }) => ({
    id,
    title: draft.title,
    isPossible: runEdit(draft, edits.replaceMedia, args).ok,
    ...beyondEndOf(draft, mediaId, args.film?.durationMs ?? Infinity),
  }))
  return { lessons: lessons.sort((a, b) => a.title.localeCompare(b.title)) }
}

/**
 * Puts another medium of the same person and kind in a medium's place, in the drafts of all lessons that the person
 * may edit, as an edit like any other: it stands in their history and can be undone there. Editions stay as they are.
 */
export async function replaceEverywhere(
  context: Context,
  person: Person,
  mediaId: string,
  by: string,
): Promise<ReplyOf<(typeof contract)['replaceMedia']>> {
  const args = await argsOf(person, mediaId, by, 'body')
  const done: Done[] = []
  const left: string[] = []
  for (const lessonId of await lessonsToReplaceIn(context.database, person.id, mediaId)) {
    const revision = await replaceIn(context, person, lessonId, args)
    if (revision === null) left.push(lessonId)
    else done.push({ lessonId, revision })
  }
  return { lessons: done.map(({ lessonId }) => lessonId), left, done }
}

/** The revision that the draft came to; null, with nothing changed, where it would be no valid lesson or somebody was faster. */
async function replaceIn(
  context: Context,
  person: Person,
  lessonId: string,
  args: Args,
): Promise<number | null> {
  const row = await LessonRow.findByPk(lessonId)
  const outcome = row && runEdit(row.draft, edits.replaceMedia, args)
  if (!row || !outcome?.ok) return null
  return accept(context, person, { lessonId, revision: row.revision }, outcome.made)
}

/** The revision of this very edit; null where it was refused. */
async function accept(
  context: Context,
  person: Person,
  { lessonId, revision }: Done,
  { name, patches }: EditMade,
): Promise<number | null> {
  const edit = { id: nanoid(), name, patches }
  try {
    const reply = await acceptEdits(context, person, lessonId, { revision, edits: [edit] })
    return reply.entries.find(({ id }) => id === edit.id)?.revision ?? reply.revision
  } catch (error) {
    if (error instanceof HttpError) return null
    throw error
  }
}

/**
 * Takes back what `replaceEverywhere` has done, as an edit like any other, where the draft is still as that left it and the
 * person may still edit it. Where it was taken back already, that is well too.
 */
export async function takeBackReplacement(
  context: Context,
  person: Person,
  mediaId: string,
  { by, done }: BodyOf<(typeof contract)['takeBackReplacement']>,
): Promise<ReplyOf<(typeof contract)['takeBackReplacement']>> {
  const args = await argsOf(person, mediaId, by, 'body')
  const reply = { lessons: [] as string[], left: [] as string[] }
  for (const one of done) {
    const mayEdit = await hasLessonRole(person, one.lessonId, ['owner', 'editor'])
    const isBack = mayEdit && (await takeBackIn(context, person, one, args))
    reply[isBack ? 'lessons' : 'left'].push(one.lessonId)
  }
  return reply
}

const { undo, redo } = undoOf<Lesson>(checkLesson)

async function takeBackIn(
  context: Context,
  person: Person,
  { lessonId, revision }: Done,
  args: Args,
): Promise<boolean> {
  const before = await readStateAt(context, lessonId, revision - 1).catch(() => null)
  const row = await LessonRow.findByPk(lessonId)
  const outcome = before && runEdit(before, edits.replaceMedia, args)
  if (!row || !outcome?.ok || outcome.made.patches.length === 0) return false
  const undone = undo({ past: [outcome.made], future: [] }, row.draft)
  if (!undone?.ok) return redo({ past: [], future: [outcome.made] }, row.draft)?.ok ?? false
  const to = { lessonId, revision: row.revision }
  return (await accept(context, person, to, undone.made)) !== null
}
