// The newest answer of every learner of a lesson to one question.
import { QueryTypes } from 'sequelize'
import type { Answer } from '@fernbrake/core/questions'
import type { Database } from '../../database/connect.ts'

/** One answer a learner, over all editions of the lesson. */
export async function newestAnswers(
  database: Database,
  lessonId: string,
  questionId: string,
): Promise<{ answer: Answer }[]> {
  return database.query<{ answer: Answer }>(
    `SELECT DISTINCT ON (r.attempt_id) r.answer
       FROM responses r JOIN attempts a ON a.id = r.attempt_id
      WHERE a.lesson_id = $1 AND r.question_id = $2
      ORDER BY r.attempt_id, r.try_number DESC`,
    { bind: [lessonId, questionId], type: QueryTypes.SELECT },
  )
}
