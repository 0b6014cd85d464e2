// SQL about where media are used. A lesson that ever used a medium is on a list; whether it still does, its documents say.
import { mediaIdsOf, type Lesson } from '@fernbrake/core/lesson'
import { select, type Ask, type Database } from '../../database/connect.ts'

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
      id,
      title: draft.title,
      draft: shows(draft, mediaId),
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

/** Holds the drafts that might show a medium, so that none begins to. */
export const holdLessonsWith = (ask: Ask, mediaId: string) =>
  ask(
    `SELECT l.id FROM lessons l WHERE l.id IN (SELECT lesson_id FROM media_uses WHERE media_id = $1)
      ORDER BY l.id FOR UPDATE`,
    [mediaId],
  )

/** Whether any draft or edition, of whomever, or a question that is kept shows a medium. */
export async function isShownAnywhere(ask: Ask, mediaId: string): Promise<boolean> {
  const kept = await ask(
    `SELECT 1 FROM kept_questions WHERE position('"' || $1 || '"' IN question::text) > 0 LIMIT 1`,
    [mediaId],
  )
  if (kept.length > 0) return true
  const documents = await ask<{ document: Lesson }>(
    `SELECT l.draft AS document FROM media_uses u JOIN lessons l ON l.id = u.lesson_id WHERE u.media_id = $1
     UNION ALL
     SELECT e.document FROM media_uses u JOIN editions e ON e.lesson_id = u.lesson_id WHERE u.media_id = $1`,
    [mediaId],
  )
  return documents.some(({ document }) => shows(document, mediaId))
}
