// The answers of many attempts in one query.
import { ResponseRow } from '../database/models.ts'

/** The responses of these attempts, each group in the order of tries; attempts without any are missing. */
export async function responsesByAttempt(
  attemptIds: readonly string[],
): Promise<Map<string, ResponseRow[]>> {
  const rows = await ResponseRow.findAll({
    where: { attemptId: [...attemptIds] },
    order: [['tryNumber', 'ASC']],
  })
  const groups = new Map<string, ResponseRow[]>()
  for (const row of rows) {
    const group = groups.get(row.attemptId)
    if (group) group.push(row)
    else groups.set(row.attemptId, [row])
  }
  return groups
}
