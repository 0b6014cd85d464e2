// SQL about where media are used. Drafts are asked themselves: an edit may have taken a medium out again.
import { select, type Database } from '../database/connect.ts'

export interface MediaUse {
  id: string
  title: string
  draft: boolean
  editions: number
}

/** Whether a lesson's document shows medium $1: as a film, on one, or anywhere in a part, a question or its material. */
const SHOWS = (document: string) =>
  `(EXISTS (SELECT 1 FROM jsonb_each(${document}->'cues') AS cue WHERE cue.value->'content'->>'mediaId' = $1)
    OR EXISTS (SELECT 1 FROM jsonb_path_query(${document}->'questions', '$.**.mediaId') AS named WHERE named #>> '{}' = $1)
    OR EXISTS (SELECT 1 FROM jsonb_path_query(${document}->'parts', '$.**.mediaId') AS named WHERE named #>> '{}' = $1)
    OR EXISTS (SELECT 1 FROM jsonb_path_query(${document}->'materials', '$.**.mediaId') AS named WHERE named #>> '{}' = $1))`

/** The lessons on which the person has a role that show a medium, by title. */
export async function usesOf(
  database: Database,
  personId: string,
  mediaId: string,
): Promise<MediaUse[]> {
  return select<MediaUse>(
    database,
    `SELECT * FROM (
       SELECT l.id, l.draft->>'title' AS title, ${SHOWS('l.draft')} AS draft,
              (SELECT count(*)::int FROM editions e WHERE e.lesson_id = l.id AND ${SHOWS('e.document')}) AS editions
         FROM lessons l
         JOIN media_uses u ON u.lesson_id = l.id AND u.media_id = $1
         JOIN lesson_roles r ON r.lesson_id = l.id AND r.person_id = $2) AS used
      WHERE draft OR editions > 0 ORDER BY title, id`,
    [mediaId, personId],
  )
}

/** The lessons that the person may edit and whose drafts show a medium. */
export async function lessonsToReplaceIn(
  database: Database,
  personId: string,
  mediaId: string,
): Promise<string[]> {
  const rows = await select<{ id: string }>(
    database,
    `SELECT l.id FROM lessons l
       JOIN media_uses u ON u.lesson_id = l.id AND u.media_id = $1
       JOIN lesson_roles r ON r.lesson_id = l.id AND r.person_id = $2 AND r.role IN ('owner', 'editor')
      WHERE ${SHOWS('l.draft')} ORDER BY l.id`,
    [mediaId, personId],
  )
  return rows.map(({ id }) => id)
}
