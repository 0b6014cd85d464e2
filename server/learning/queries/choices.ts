// SQL about the ways learners took at forks.
import type { ChoiceReported } from '@fernbrake/core/records'
import { select, type Ask, type Database } from '../../database/connect.ts'

/** Keeps ways that were taken; what is kept already stays as it is. */
export async function storeChoices(
  ask: Ask,
  attemptId: string,
  choices: readonly ChoiceReported[],
): Promise<void> {
  if (choices.length === 0) return
  await ask(
    `INSERT INTO choices (attempt_id, id, cue_id, choice_id, chosen_at)
     SELECT $1, unnest($2::text[]), unnest($3::text[]), unnest($4::text[]), unnest($5::timestamptz[])
     ON CONFLICT DO NOTHING`,
    [
      attemptId,
      choices.map(({ id }) => id),
      choices.map(({ cueId }) => cueId),
      choices.map(({ choiceId }) => choiceId),
      choices.map(({ at }) => at),
    ],
  )
}

export interface WayTaken {
  cueId: string
  choiceId: string
  takenAt: string
}

/** Every way that was taken, by attempt, in the order in which they were. */
export async function waysByAttempt(
  database: Database,
  attemptIds: readonly string[],
): Promise<Map<string, WayTaken[]>> {
  const rows = await select<{ attempt_id: string; cue_id: string; choice_id: string; at: Date }>(
    database,
    `SELECT attempt_id, cue_id, choice_id, chosen_at AS at FROM choices
      WHERE attempt_id = ANY($1::text[]) ORDER BY chosen_at, id`,
    [attemptIds],
  )
  const ways = new Map<string, WayTaken[]>()
  for (const { attempt_id: attemptId, cue_id: cueId, choice_id: choiceId, at } of rows)
    ways.set(attemptId, [
      ...(ways.get(attemptId) ?? []),
      { cueId, choiceId, takenAt: at.toISOString() },
    ])
  return ways
}

/** Every way that one attempt took, in the order in which they were. */
export const readWays = (ask: Ask, attemptId: string) =>
  ask<{ cueId: string; choiceId: string }>(
    `SELECT cue_id AS "cueId", choice_id AS "choiceId" FROM choices WHERE attempt_id = $1 ORDER BY chosen_at, id`,
    [attemptId],
  )

/** The way taken last at each fork, by cue. */
export async function readChosen(ask: Ask, attemptId: string): Promise<Record<string, string>> {
  const rows = await ask<{ cue_id: string; choice_id: string }>(
    `SELECT DISTINCT ON (cue_id) cue_id, choice_id FROM choices
      WHERE attempt_id = $1 ORDER BY cue_id, chosen_at DESC, id`,
    [attemptId],
  )
  return Object.fromEntries(rows.map((row) => [row.cue_id, row.choice_id]))
}
