// SQL about kept questions: which lessons ask them.
import { select, type Database } from '../../database/connect.ts'

interface Use {
  keptId: string
  id: string
  title: string
}

/** The lessons on which a person has a role that ask one of the questions they keep, by title. */
export async function usesOfKept(database: Database, personId: string): Promise<Use[]> {
  return select<Use>(
    database,
    `SELECT DISTINCT k.id AS "keptId", l.id, l.draft->>'title' AS title
       FROM kept_questions k
       JOIN lesson_roles r ON r.person_id = k.owner_id
       JOIN lessons l ON l.id = r.lesson_id
       JOIN LATERAL jsonb_each(l.draft->'questions') AS asked ON asked.value->>'shelfId' = k.id
      WHERE k.owner_id = $1
      ORDER BY title, id`,
    [personId],
  )
}
