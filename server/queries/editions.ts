// Editions never change once published, so their documents are kept in memory once read.
import type { Lesson } from '@fernbrake/core/lesson'
import { EditionRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'

/** Bounded, so that memory is too. */
const MOST_KEPT = 50
const kept = new Map<string, Lesson>()

/** The document of an edition; nobody may change what comes back. Throws `not-found`. */
export async function editionDocument({
  lessonId,
  edition,
}: {
  lessonId: string
  edition: number
}): Promise<Lesson> {
  const key = `${lessonId}/${edition}`
  const known = kept.get(key)
  if (known) return known
  const row = await EditionRow.findOne({ where: { lessonId, number: edition } })
  if (!row) throw new HttpError('not-found')
  if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!)
  kept.set(key, row.document)
  return row.document
}
