// SQL about the ways learners took at forks.
import { select, type Ask, type Database } from '../database/connect.ts'

export interface ChoiceRow {
  id: string
  cueId: string
  choiceId: string
  at: string
}

/** Keeps ways that were taken; what is kept already stays as it is. */
export async function storeChoices(
  ask: Ask,
  attemptId: string,
  choices: readonly ChoiceRow[],
): Promise<void> {
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

/** The way taken last at each fork, by cue. */
export async function readChosen(
  database: Database,
  attemptId: string,
): Promise<Record<string, string>> {
  const rows = await select<{ cue_id: string; choice_id: string }>(
    database,
    `SELECT DISTINCT ON (cue_id) cue_id, choice_id FROM choices
      WHERE attempt_id = $1 ORDER BY cue_id, chosen_at DESC, id`,
    [attemptId],
  )
  return Object.fromEntries(rows.map((row) => [row.cue_id, row.choice_id]))
}
