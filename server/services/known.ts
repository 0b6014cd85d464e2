// What decides about the gates of a lesson for one learner, as far as the database knows.
import type { Transaction } from 'sequelize'
import { knownOf, type Known } from '@fernbrake/core/routes'
import type { Lesson } from '@fernbrake/core/lesson'
import { within, type Database } from '../database/connect.ts'
import { AttemptRow, ResponseRow } from '../database/models.ts'
import { readCovered } from '../queries/covered.ts'
import { readSeen } from '../queries/seenThings.ts'

/** Null for a lesson without gates, where nothing hangs on it. What is stored in `transaction` counts. */
export async function readKnown(
  database: Database,
  lesson: Lesson,
  attemptId: string,
  transaction: Transaction,
): Promise<Known | null> {
  if (Object.values(lesson.parts).every(({ gate }) => gate === undefined)) return null
  const attempt = await AttemptRow.findByPk(attemptId, { transaction })
  const responses = await ResponseRow.findAll({
    where: { attemptId },
    order: [['tryNumber', 'ASC']],
    transaction,
  })
  const seen = await readSeen(within(database, transaction), [attemptId])
  const covered = await readCovered(within(database), [attemptId])
  return knownOf(lesson, {
    responses,
    covered: covered.get(attemptId)?.spans ?? {},
    seen: seen.get(attemptId) ?? {},
    released: attempt?.released ?? [],
  })
}
