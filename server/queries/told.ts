// SQL about what learners have been told of questions that were held back, and what they answered after that.
import type { Answer } from '@fernbrake/core/questions'
import type { Ask } from '../database/connect.ts'

/** The questions that this learner has been told whole. */
export async function readTold(ask: Ask, attemptId: string): Promise<Set<string>> {
  const rows = await ask<{ id: string }>(
    'SELECT question_id AS id FROM told_questions WHERE attempt_id = $1',
    [attemptId],
  )
  return new Set(rows.map(({ id }) => id))
}

/** Notes questions as told; the first time counts. */
export async function storeTold(
  ask: Ask,
  attemptId: string,
  questionIds: readonly string[],
): Promise<void> {
  if (questionIds.length === 0) return
  await ask(
    `INSERT INTO told_questions (attempt_id, question_id)
     SELECT id, unnest($2::text[]) FROM attempts WHERE id = $1
     ON CONFLICT DO NOTHING`,
    [attemptId, [...questionIds]],
  )
}

export interface AnswerAfterTelling {
  id: string
  cueId: string
  questionId: string
  answer: Answer
  answeredAt: Date
}

/** Keeps answers that came when what is right had been told: they count for nothing. */
export async function storeAfterTelling(
  ask: Ask,
  attemptId: string,
  answers: readonly AnswerAfterTelling[],
): Promise<void> {
  if (answers.length === 0) return
  await ask(
    `INSERT INTO answers_after_telling (attempt_id, id, cue_id, question_id, answer, answered_at)
     SELECT $1, unnest($2::text[]), unnest($3::text[]), unnest($4::text[]), unnest($5::jsonb[]), unnest($6::timestamptz[])
     ON CONFLICT DO NOTHING`,
    [
      attemptId,
      answers.map(({ id }) => id),
      answers.map(({ cueId }) => cueId),
      answers.map(({ questionId }) => questionId),
      answers.map(({ answer }) => JSON.stringify(answer)),
      answers.map(({ answeredAt }) => answeredAt.toISOString()),
    ],
  )
}

/** How many answers of each attempt came too late to count; attempts without any are missing. */
export async function countAfterTelling(
  ask: Ask,
  attemptIds: readonly string[],
): Promise<Map<string, number>> {
  const rows = await ask<{ id: string; count: number }>(
    `SELECT attempt_id AS id, count(*)::int AS count FROM answers_after_telling
      WHERE attempt_id = ANY($1::text[]) GROUP BY attempt_id`,
    [[...attemptIds]],
  )
  return new Map(rows.map(({ id, count }) => [id, count]))
}
