// SQL about where media are used. A lesson that ever used a medium is on a list; whether it still does, its documents say.
import { mediaIdsOf, type Lesson } from '@fernbrake/core/lesson'
import { select, type Database } from '../database/connect.ts'

export interface MediaUse {
  id: string
  title: string
  draft: boolean
  editions: number
}

/** What a lesson shows is what core says it shows: covers and what is offered for download among it. */
const shows = (document: Lesson, mediaId: string): boolean => mediaIdsOf(document).includes(mediaId)

/** The lessons on which the person has a role that show a medium, by title. */
export async function usesOf(
  database: Database,
  personId: string,
  mediaId: string,
): Promise<MediaUse[]> {
  const lessons = await select<{ id: string; draft: Lesson; editions: Lesson[] }>(
    database,
    `SELECT l.id, l.draft,
            coalesce((SELECT jsonb_agg(e.document) FROM editions e WHERE e.lesson_id = l.id), '[]') AS editions
       FROM media_uses u
       JOIN lessons l ON l.id = u.lesson_id
       JOIN lesson_roles r ON r.lesson_id = l.id AND r.person_id = $2
      WHERE u.media_id = $1`,
    [mediaId, personId],
  )
  return lessons
    .map(({ id, draft, editions }) => ({
      ...{ id, title: draft.title, draft: shows(draft, mediaId) },
      editions: editions.filter((edition) => shows(edition, mediaId)).length,
    }))
    .filter(({ draft, editions }) => draft || editions > 0)
    .sort((a, b) => a.title.localeCompare(b.title) || a.id.localeCompare(b.id))
}

/** The lessons that the person may edit and whose drafts show a medium. */
export async function lessonsToReplaceIn(
  database: Database,
  personId: string,
  mediaId: string,
): Promise<string[]> {
  const lessons = await select<{ id: string; draft: Lesson }>(
    database,
    `SELECT l.id, l.draft FROM media_uses u
       JOIN lessons l ON l.id = u.lesson_id
       JOIN lesson_roles r ON r.lesson_id = l.id AND r.person_id = $2 AND r.role IN ('owner', 'editor')
      WHERE u.media_id = $1 ORDER BY l.id`,
    [mediaId, personId],
  )
  return lessons.flatMap(({ id, draft }) => (shows(draft, mediaId) ? [id] : []))
}
