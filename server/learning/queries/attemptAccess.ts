// Whose attempts at a lesson somebody may see who works on the lesson: those by its link, and those of classes they teach. What
// other teachers' classes do with it is not theirs to read.
import { Op, type WhereOptions } from 'sequelize'
import type { Ask } from '../../database/connect.ts'
import { assignmentsTaughtBy } from '../../lessons/queries/taught.ts'

/** The condition on attempts at this lesson. */
export async function attemptsSeenBy(
  ask: Ask,
  personId: string,
  lessonId: string,
): Promise<WhereOptions> {
  const rows = await ask<{ id: string }>(`${assignmentsTaughtBy('$2')} WHERE a.lesson_id = $1`, [
    lessonId,
    personId,
  ])
  const assignmentId = { [Op.or]: [null, rows.map(({ id }) => id)] }
  return { lessonId, assignmentId } as WhereOptions
}

/** Whether this attempt is one of them. */
export async function seesAttempt(
  ask: Ask,
  personId: string,
  where: { lessonId: string; attemptId: string },
): Promise<boolean> {
  const rows = await ask(
    `SELECT 1 FROM attempts t WHERE t.id = $1 AND t.lesson_id = $2 AND (
       t.assignment_id IS NULL
       OR t.assignment_id IN (${assignmentsTaughtBy('$3')}))`,
    [where.attemptId, where.lessonId, personId],
  )
  return rows.length > 0
}
