// Editions never change once published, so their documents are kept in memory once read: those that are asked for most.
import { createKept } from '@fernbrake/core/fields'
import type { Lesson } from '@fernbrake/core/lesson'
import { EditionRow, LessonRow } from '../../database/models.ts'
import { HttpError } from '../../http/HttpError.ts'

/** Bounded, so that memory is too. What is on its way is kept as well: a whole class that comes at once reads it once. */
const kept = createKept<Promise<Lesson>>(60)

interface Named {
  lessonId: string
  edition: number
}

/** The document of an edition; nobody may change what comes back. Throws `not-found`. */
export function editionDocument({ lessonId, edition }: Named): Promise<Lesson> {
  const key = `${lessonId}/${edition}`
  const known = kept.get(key)
  if (known) return known
  const reading = readDocument({ lessonId, edition })
  kept.set(key, reading)
  // What failed is asked for again by whoever comes next.
  reading.catch(() => kept.get(key) === reading && kept.delete(key))
  return reading
}

async function readDocument({ lessonId, edition }: Named): Promise<Lesson> {
  const where = { lessonId, number: edition }
  const row = await EditionRow.findOne({ where, attributes: ['document'] })
  if (!row) throw new HttpError('not-found')
  return row.document
}

/** The number of a lesson's newest edition; null before the first. */
export async function newestNumber(lessonId: string): Promise<number | null> {
  return (
    (await EditionRow.max<number | null, EditionRow>('number', { where: { lessonId } })) ?? null
  )
}

/** The document of a lesson's newest edition, and before the first one its draft. Throws `not-found`. */
export async function newestDocument(lessonId: string): Promise<Lesson> {
  const edition = await newestNumber(lessonId)
  if (edition !== null) return editionDocument({ lessonId, edition })
  const row = await LessonRow.findByPk(lessonId, { attributes: ['draft'] })
  if (!row) throw new HttpError('not-found')
  return row.draft
}
