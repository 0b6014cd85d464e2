// SQL about marks that people give, and where answers wait for them.
import type { PileCard, Source } from '@fernbrake/core/contract'
import { isByPerson, QUESTION_KINDS } from '@fernbrake/core/questions'
import type { Ask } from '../../database/connect.ts'
import type { StoredMark } from '../../learning/queries/responses.ts'

/** Which attempts are of a source: those for an assignment, or those that were begun by the lesson's link. */
export const OF_SOURCE: Record<Source, string> = {
  assignment: 'a.assignment_id = $1',
  lesson: 'a.lesson_id = $1 AND a.assignment_id IS NULL',
}

/** Of several tries, the last one is what a person looks at. */
const IS_LAST_TRY = `NOT EXISTS (SELECT FROM responses later WHERE later.attempt_id = r.attempt_id
  AND later.question_id = r.question_id AND later.try_number > r.try_number)`

/** Of the kinds that a person has to look at. */
const BY_PERSON = `r.answer->>'kind' IN (${QUESTION_KINDS.filter((kind) => isByPerson({ kind }))
  .map((kind) => `'${kind}'`)
  .join(', ')})`

/**
 * The attempts that the person `$n` may mark and read the results of: those for assignments of classes they teach, and those
 * by the link of lessons they edit. The same as `marker` in http/authorise.ts, over many attempts; each half goes by an index.
 */
export const markableBy = (person: string) => `(
  SELECT x.* FROM class_teachers t JOIN assignments y ON y.class_id = t.class_id JOIN attempts x ON x.assignment_id = y.id
   WHERE t.person_id = ${person}
  UNION ALL
  SELECT x.* FROM lesson_roles l JOIN attempts x ON x.lesson_id = l.lesson_id AND x.assignment_id IS NULL
   WHERE l.person_id = ${person} AND l.role IN ('owner', 'editor'))`

type PileRow = Omit<PileCard, 'title' | 'oldestAt'> & {
  lessonId: string
  edition: number
  oldestAt: Date | null
}

/** What waits for somebody: in the classes they teach, and in the lessons that they edit. */
export const readPiles = (ask: Ask, personId: string) =>
  ask<PileRow>(
    `SELECT CASE WHEN s.id IS NULL THEN 'lesson' ELSE 'assignment' END AS source,
            coalesce(s.id, a.lesson_id) AS "sourceId", a.lesson_id AS "lessonId", c.title AS "classTitle",
            max(a.edition) AS edition,
            count(*) FILTER (WHERE m.revision IS NULL)::int AS waiting,
            count(m.revision)::int AS marked,
            count(*) FILTER (WHERE m.revision IS NOT NULL AND m.released_at IS NULL)::int AS untold,
            min(r.answered_at) FILTER (WHERE m.revision IS NULL) AS "oldestAt"
       FROM ${markableBy('$1')} AS a
       JOIN LATERAL (SELECT DISTINCT ON (question_id) * FROM responses WHERE attempt_id = a.id
                      ORDER BY question_id, try_number DESC) r ON ${BY_PERSON}
       LEFT JOIN assignments s ON s.id = a.assignment_id
       LEFT JOIN classes c ON c.id = s.class_id
       LEFT JOIN marks m ON m.attempt_id = r.attempt_id AND m.response_id = r.id
      GROUP BY s.id, a.lesson_id, c.title
      ORDER BY count(*) FILTER (WHERE m.revision IS NULL) = 0, min(r.answered_at), s.id`,
    [personId],
  )

export interface MarkToStore {
  attemptId: string
  responseId: string
  revision: number
  points: number
  verdict: 'right' | 'partly' | 'wrong'
  levels: readonly (number | null)[] | null
  comment: string
  personId: string
}

/** Stores a mark over the one with this revision; null where there is another one by now. */
export async function storeMark(ask: Ask, mark: MarkToStore): Promise<StoredMark | null> {
  const values = [
    mark.attemptId,
    mark.responseId,
    mark.points,
    mark.verdict,
    mark.levels && JSON.stringify(mark.levels),
    mark.comment,
    mark.personId,
  ]
  const given = `points, verdict, levels, comment, revision, marked_at AS at, released_at AS "releasedAt",
    (SELECT name FROM people WHERE id = marks.person_id) AS by`
  const rows =
    mark.revision === 0
      ? await ask<StoredMark>(
          `INSERT INTO marks (attempt_id, response_id, points, verdict, levels, comment, revision, person_id)
           VALUES ($1, $2, $3, $4, $5, $6, 1, $7) ON CONFLICT DO NOTHING RETURNING ${given}`,
          values,
        )
      : await ask<StoredMark>(
          `UPDATE marks SET points = $3, verdict = $4, levels = $5, comment = $6, person_id = $7,
                  revision = revision + 1, marked_at = now()
            WHERE attempt_id = $1 AND response_id = $2 AND revision = $8 RETURNING ${given}`,
          [...values, mark.revision],
        )
  return rows[0] ?? null
}

/** Whether a mark says just this already: a repeat of its own sending. */
export async function readMark(
  ask: Ask,
  attemptId: string,
  responseId: string,
): Promise<(StoredMark & { personId: string | null }) | null> {
  const [row] = await ask<StoredMark & { personId: string | null }>(
    `SELECT points, verdict, levels, comment, revision, marked_at AS at, released_at AS "releasedAt",
            (SELECT name FROM people WHERE id = marks.person_id) AS by, person_id AS "personId"
       FROM marks WHERE attempt_id = $1 AND response_id = $2`,
    [attemptId, responseId],
  )
  return row ?? null
}

/** Tells, or takes back, the marks of a source; answers whose they are, once a mark. */
export const releaseMarks = (
  ask: Ask,
  source: Source,
  sourceId: string,
  { told, questionId }: { told: boolean; questionId: string | null },
) =>
  ask<{ personId: string }>(
    `UPDATE marks m SET released_at = ${told ? 'now()' : 'NULL'}
       FROM attempts a, responses r
      WHERE a.id = m.attempt_id AND r.attempt_id = m.attempt_id AND r.id = m.response_id
        AND ${OF_SOURCE[source]} AND ($2::text IS NULL OR r.question_id = $2)
        AND m.released_at IS ${told ? '' : 'NOT'} NULL
     RETURNING a.person_id AS "personId"`,
    [sourceId, questionId],
  )

export const readKeptComments = (ask: Ask, personId: string) =>
  ask<{ id: string; words: string }>(
    'SELECT id, words FROM kept_comments WHERE person_id = $1 ORDER BY kept_at, id',
    [personId],
  )

/** How many answers wait for a person, by assignment. */
export async function countWaiting(
  ask: Ask,
  assignmentIds: readonly string[],
): Promise<Map<string, number>> {
  const rows = await ask<{ id: string; waiting: number }>(
    `SELECT a.assignment_id AS id, count(*)::int AS waiting
       FROM attempts a JOIN responses r ON r.attempt_id = a.id AND ${BY_PERSON} AND ${IS_LAST_TRY}
      WHERE a.assignment_id = ANY($1::text[])
        AND NOT EXISTS (SELECT FROM marks m WHERE m.attempt_id = r.attempt_id AND m.response_id = r.id)
      GROUP BY a.assignment_id`,
    [[...assignmentIds]],
  )
  return new Map(rows.map(({ id, waiting }) => [id, waiting]))
}

export const storeKeptComment = (ask: Ask, id: string, personId: string, words: string) =>
  ask(
    'INSERT INTO kept_comments (id, person_id, words) VALUES ($1, $2, $3) ON CONFLICT DO NOTHING',
    [id, personId, words],
  )

export const removeKeptComment = (ask: Ask, id: string, personId: string) =>
  ask('DELETE FROM kept_comments WHERE id = $1 AND person_id = $2', [id, personId])
