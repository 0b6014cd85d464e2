// SQL about finding lessons by their words.
import type { Findable, Lesson } from '@fernbrake/core/lesson'
import type { PostPlace } from '@fernbrake/core/talk'
import type { Ask } from '../../database/connect.ts'

/** A draft (edition 0) or an edition as it was at a revision. */
export interface Worded {
  lessonId: string
  edition: number
  revision: number
}

/** The drafts of somebody's lessons whose words are not known as they are now. */
export const draftsToRead = (ask: Ask, personId: string) =>
  ask<Worded>(
    `SELECT l.id AS "lessonId", 0 AS edition, l.revision FROM lesson_roles r JOIN lessons l ON l.id = r.lesson_id
       LEFT JOIN lesson_words w ON w.lesson_id = l.id AND w.edition = 0
      WHERE r.person_id = $1 AND w.revision IS DISTINCT FROM l.revision ORDER BY l.id`,
    [personId],
  )

/** The newest editions that everyone may learn, and whose words are not known. */
export const editionsToRead = (ask: Ask) =>
  ask<Worded>(
    `SELECT l.id AS "lessonId", e.number AS edition, e.revision FROM lessons l
       JOIN LATERAL (SELECT number, revision FROM editions WHERE lesson_id = l.id ORDER BY number DESC LIMIT 1) e ON true
       LEFT JOIN lesson_words w ON w.lesson_id = l.id AND w.edition = e.number
      WHERE l.seen_by = 'everyone' AND l.link_code IS NOT NULL AND w.edition IS NULL ORDER BY l.id`,
    [],
  )

/** These documents as they are now: of a draft its newest revision, whatever was asked for. */
export const readWorded = (ask: Ask, these: readonly Worded[]) =>
  ask<Worded & { document: Lesson }>(
    `SELECT l.id AS "lessonId", t.edition, coalesce(e.revision, l.revision) AS revision, coalesce(e.document, l.draft) AS document
       FROM unnest($1::text[], $2::int[]) AS t (lesson_id, edition) JOIN lessons l ON l.id = t.lesson_id
       LEFT JOIN editions e ON e.lesson_id = t.lesson_id AND e.number = t.edition
      WHERE t.edition = 0 OR e.number IS NOT NULL`,
    [these.map(({ lessonId }) => lessonId), these.map(({ edition }) => edition)],
  )

/** Keeps what a document can be found by; what is known of a later revision stays. Of editions the newest alone is kept. */
export async function storeWords(
  ask: Ask,
  { lessonId, edition, revision }: Worded,
  { folded, findable }: { folded: string; findable: Findable },
): Promise<void> {
  await ask(
    `INSERT INTO lesson_words (lesson_id, edition, revision, folded, findable)
     SELECT id, $2, $3, $4, $5 FROM lessons WHERE id = $1 FOR KEY SHARE
     ON CONFLICT (lesson_id, edition) DO UPDATE SET revision = excluded.revision, folded = excluded.folded,
       findable = excluded.findable WHERE lesson_words.revision <= excluded.revision`,
    [lessonId, edition, revision, folded, JSON.stringify(findable)],
  )
  if (edition > 0)
    await ask('DELETE FROM lesson_words WHERE lesson_id = $1 AND edition > 0 AND edition < $2', [
      lessonId,
      edition,
    ])
}

interface FoundRow {
  lessonId: string
  findable: Findable
}

/** The drafts that somebody works on and in which all of these occur, as `LIKE` takes them. */
export const draftsHolding = (ask: Ask, personId: string, patterns: readonly string[]) =>
  ask<FoundRow>(
    `SELECT w.lesson_id AS "lessonId", w.findable FROM lesson_roles r
       JOIN lesson_words w ON w.lesson_id = r.lesson_id AND w.edition = 0
      WHERE r.person_id = $1 AND w.folded LIKE ALL ($2::text[])`,
    [personId, patterns],
  )

/** The newest editions that everyone may learn and in which all of these occur. */
export const editionsHolding = (ask: Ask, patterns: readonly string[]) =>
  ask<FoundRow>(
    `SELECT w.lesson_id AS "lessonId", w.findable FROM lessons l
       JOIN LATERAL (SELECT number FROM editions WHERE lesson_id = l.id ORDER BY number DESC LIMIT 1) e ON true
       JOIN lesson_words w ON w.lesson_id = l.id AND w.edition = e.number
      WHERE l.seen_by = 'everyone' AND l.link_code IS NOT NULL AND w.folded LIKE ALL ($1::text[])`,
    [patterns],
  )

interface SaidRow {
  lessonId: string
  partId: string
  place: PostPlace
  words: string
}

/**
 * What everyone can read in the talk about lessons that everyone may learn, and holds all of these, as `LIKE` takes them;
 * by lesson in the order in which it was said, at most so many of each.
 */
export const postsHolding = (ask: Ask, patterns: readonly string[], most: number) =>
  ask<SaidRow>(
    `SELECT "lessonId", "partId", place, words FROM (
       SELECT l.id AS "lessonId", p.part_id AS "partId", p.place, p.words, p.said_at,
              row_number() OVER (PARTITION BY l.id ORDER BY p.said_at, p.id) AS nth
         FROM talks t JOIN lessons l ON l.id = t.lesson_id JOIN posts p ON p.talk_id = t.id
         LEFT JOIN posts h ON h.talk_id = p.talk_id AND h.id = p.reply_to
        WHERE t.is_on AND l.seen_by = 'everyone' AND l.link_code IS NOT NULL
          AND NOT p.is_gone AND p.hidden_at IS NULL AND h.hidden_at IS NULL AND coalesce(h.sort, p.sort) <> 'enquiry'
          AND p.folded LIKE ALL ($1::text[])) found
      WHERE nth <= $2 ORDER BY "lessonId", nth`,
    [patterns, most],
  )

/** Puts lessons away for one person, or takes them out again; answers with how many of them are theirs. */
export async function storeAway(
  ask: Ask,
  personId: string,
  { lessonIds, away }: { lessonIds: readonly string[]; away: boolean },
): Promise<number> {
  const rows = await ask(
    `UPDATE lesson_roles SET put_away_at = CASE WHEN $3 THEN coalesce(put_away_at, now()) END
      WHERE person_id = $1 AND lesson_id = ANY($2::text[]) RETURNING lesson_id`,
    [personId, lessonIds, away],
  )
  return rows.length
}
