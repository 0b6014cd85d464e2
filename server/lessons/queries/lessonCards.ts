// SQL about the lessons on a designer's home page.
import type { LessonRoleName, SeenBy } from '@fernbrake/core/contract'
import type { Lesson } from '@fernbrake/core/lesson'
import type { Ask } from '../../database/connect.ts'
import { assignmentsTaughtBy } from './taught.ts'

export interface CardRow {
  id: string
  revision: number
  updated_at: Date
  edition_number: number | null
  learners: number
  opened: number
  is_away: boolean
  seen_by: SeenBy
  role: LessonRoleName
}

/**
 * The lessons that somebody works on, the one changed last first; so many at the most. The learners are those whom they
 * see in the results (see `attemptsSeenBy`); how often it was opened counts everybody.
 */
export const readCardRows = (ask: Ask, personId: string, most: number) =>
  ask<CardRow>(
    `SELECT l.id, l.revision, l.updated_at, l.seen_by, r.role, e.number AS edition_number,
            coalesce(a.learners, 0) AS learners, coalesce(a.opened, 0) AS opened, r.put_away_at IS NOT NULL AS is_away
       FROM lesson_roles r JOIN lessons l ON l.id = r.lesson_id
       LEFT JOIN LATERAL (SELECT max(number) AS number FROM editions WHERE lesson_id = l.id) e ON true
       LEFT JOIN LATERAL (SELECT count(DISTINCT person_id) FILTER (WHERE assignment_id IS NULL OR assignment_id IN (${assignmentsTaughtBy('$1')}))::int AS learners,
                                sum(times_opened)::int AS opened
                            FROM attempts WHERE lesson_id = l.id) a ON true
      WHERE r.person_id = $1
      ORDER BY l.updated_at DESC LIMIT $2`,
    [personId, most],
  )

/** The drafts of these lessons, as they are now. */
export const readDrafts = (ask: Ask, ids: readonly string[]) =>
  ask<{ id: string; revision: number; draft: Lesson }>(
    'SELECT id, revision, draft FROM lessons WHERE id = ANY($1::text[])',
    [ids],
  )
