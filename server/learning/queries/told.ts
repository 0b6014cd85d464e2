// SQL about what learners have been told of questions that were held back, and what they answered after that.
import type { Answer } from '@fernbrake/core/questions'
import type { Ask } from '../../database/connect.ts'

/** The questions that this learner has been told whole in this attempt; or also in others for the same assignment. */
export async function readTold(
  ask: Ask,
  attemptId: string,
  inOthersToo: boolean,
): Promise<Set<string>> {
  const rows = await ask<{ id: string }>(
    `SELECT DISTINCT t.question_id AS id
       FROM attempts a
       JOIN attempts o ON o.person_id = a.person_id AND (o.id = a.id OR ($2 AND o.assignment_id = a.assignment_id))
       JOIN told_questions t ON t.attempt_id = o.id
      WHERE a.id = $1`,
    [attemptId, inOthersToo],
  )
  return new Set(rows.map(({ id }) => id))
}

/** The assignments of which somebody has been told something that was held back. */
export async function assignmentsTold(ask: Ask, personId: string): Promise<Set<string>> {
  const rows = await ask<{ id: string }>(
    `SELECT DISTINCT a.assignment_id AS id FROM attempts a JOIN told_questions t ON t.attempt_id = a.id
      WHERE a.person_id = $1 AND a.assignment_id IS NOT NULL`,
    [personId],
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
