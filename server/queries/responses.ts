// The answers of many attempts in one query.
import { ResponseRow } from '../database/models.ts'
import { byAttempt } from './byAttempt.ts'

/** The responses of these attempts, each group in the order of tries; attempts without any are missing. */
export async function responsesByAttempt(
  attemptIds: readonly string[],
): Promise<Map<string, ResponseRow[]>> {
  const rows = await ResponseRow.findAll({
    where: { attemptId: [...attemptIds] },
    order: [['tryNumber', 'ASC']],
  })
  return byAttempt(rows)
}
