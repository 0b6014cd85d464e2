// What never changes about an attempt, kept in memory: every batch of records asks for it twice.
import { AttemptRow } from '../../database/models.ts'

export interface AttemptFacts {
  id: string
  personId: string
  lessonId: string
  /** An attempt stays on the edition it was begun on. */
  edition: number
  assignmentId: string | null
  openedAt: Date
  /** What the mixing of questions that are held back follows from. */
  mix: string
}

/** Bounded, so that memory is too. */
const MOST_KEPT = 5000
const kept = new Map<string, AttemptFacts>()

/** The facts of an attempt, or null. They may outlive its deletion, so whoever writes must meet the row itself. */
export async function attemptFacts(attemptId: string): Promise<AttemptFacts | null> {
  const known = kept.get(attemptId)
  if (known) return known
  const row = await AttemptRow.findByPk(attemptId, {
    attributes: ['id', 'personId', 'lessonId', 'edition', 'assignmentId', 'openedAt', 'mix'],
  })
  if (!row) return null
  const { id, personId, lessonId, edition, assignmentId, openedAt, mix } = row
  if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!)
  const facts = { id, personId, lessonId, edition, assignmentId, openedAt, mix }
  kept.set(id, facts)
  return facts
}
