/** Rows by the attempt that they belong to, each group in the order of the rows. */
export function byAttempt<Row extends { attemptId: string }>(
  rows: readonly Row[],
): Map<string, Row[]> {
  const groups = new Map<string, Row[]>()
  for (const row of rows) {
    const group = groups.get(row.attemptId)
    if (group) group.push(row)
    else groups.set(row.attemptId, [row])
  }
  return groups
}
