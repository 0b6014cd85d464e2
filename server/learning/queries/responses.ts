// The answers of many attempts in one query, with the marks that people gave.
import type { GivenMark } from '@fernbrake/core/contract'
import type { Answer, Verdict } from '@fernbrake/core/questions'
import type { Ask } from '../../database/connect.ts'
import { byAttempt } from './byAttempt.ts'

export interface StoredMark extends Omit<GivenMark, 'at' | 'releasedAt'> {
  at: Date
  releasedAt: Date | null
}

export interface Response {
  attemptId: string
  id: string
  cueId: string
  questionId: string
  tryNumber: number
  answer: Answer
  /** What counts: a person's mark where there is one, else what the answer was marked with by itself. */
  verdict: Verdict
  points: number
  answeredAt: Date
  seenShare: number | null
  tookMs: number | null
  /** When it was given could not be believed, and is when it arrived. */
  isDoubtful: boolean
  /** What it was marked with by itself. */
  own: { verdict: Verdict; points: number }
  mark: StoredMark | null
}

/** Which marks count: those whom teachers see, those that learners were told, or none as long as nobody is told. */
export type Marks = 'given' | 'told' | 'none'

const COUNTS: Record<Marks, string> = {
  given: '',
  told: 'AND m.released_at IS NOT NULL',
  none: 'AND false',
}

type Row = Omit<Response, 'own' | 'mark'> & {
  [Key in keyof StoredMark as `mark${Capitalize<Key>}`]: StoredMark[Key]
} & { markRevision: number | null }

const COLUMNS = `r.attempt_id AS "attemptId", r.id, r.cue_id AS "cueId", r.question_id AS "questionId",
  r.try_number AS "tryNumber", r.answer, r.verdict, r.points, r.answered_at AS "answeredAt",
  r.seen_share AS "seenShare", r.took_ms AS "tookMs", r.is_doubtful AS "isDoubtful",
  m.points AS "markPoints", m.verdict AS "markVerdict", m.levels AS "markLevels", m.comment AS "markComment",
  m.revision AS "markRevision", b.name AS "markBy", m.marked_at AS "markAt", m.released_at AS "markReleasedAt"`

/** The responses of these attempts, each group in the order of tries; attempts without any are missing. */
export async function responsesByAttempt(
  ask: Ask,
  attemptIds: readonly string[],
  marks: Marks = 'given',
): Promise<Map<string, Response[]>> {
  const rows = await ask<Row>(
    `SELECT ${COLUMNS} FROM responses r
       LEFT JOIN marks m ON m.attempt_id = r.attempt_id AND m.response_id = r.id
         ${COUNTS[marks]}
       LEFT JOIN people b ON b.id = m.person_id
      WHERE r.attempt_id = ANY($1::text[]) ORDER BY r.try_number`,
    [[...attemptIds]],
  )
  return byAttempt(rows.map(toResponse))
}

/** What one attempt has answered, in the order of tries, as it was marked by itself. */
export const readOutcomes = (ask: Ask, attemptId: string) =>
  ask<Pick<Response, 'cueId' | 'questionId' | 'tryNumber' | 'answer' | 'verdict' | 'points'>>(
    `SELECT cue_id AS "cueId", question_id AS "questionId", try_number AS "tryNumber", answer, verdict, points
       FROM responses WHERE attempt_id = $1 ORDER BY try_number, answered_at`,
    [attemptId],
  )

function toResponse(row: Row): Response {
  const { attemptId, id, cueId, questionId, tryNumber, answer, answeredAt } = row
  const own = { verdict: row.verdict, points: row.points }
  const mark: StoredMark | null =
    row.markRevision === null
      ? null
      : {
          points: row.markPoints,
          verdict: row.markVerdict,
          levels: row.markLevels,
          comment: row.markComment,
          revision: row.markRevision,
          by: row.markBy,
          at: row.markAt,
          releasedAt: row.markReleasedAt,
        }
  return {
    attemptId,
    id,
    cueId,
    questionId,
    tryNumber,
    answer,
    answeredAt,
    seenShare: row.seenShare,
    tookMs: row.tookMs,
    isDoubtful: row.isDoubtful,
    own,
    mark,
    verdict: mark?.verdict ?? own.verdict,
    points: mark?.points ?? own.points,
  }
}
