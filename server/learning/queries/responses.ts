// The answers of many attempts in one query, with the marks that people gave.
import type { GivenMark } from '@fernbrake/core/contract'
import type { Answer, Verdict } from '@fernbrake/core/questions'
import type pg from 'pg'
import { inColumns, type Ask } from '../../database/connect.ts'
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

/** In the order of the columns below. */
type Row = [
  attemptId: string,
  id: string,
  cueId: string,
  questionId: string,
  tryNumber: number,
  answer: Answer,
  verdict: Verdict,
  points: number,
  answeredAt: Date,
  seenShare: number | null,
  tookMs: number | null,
  isDoubtful: boolean,
  mark: (Omit<StoredMark, 'at' | 'releasedAt'> & { at: string; releasedAt: string | null }) | null,
]

const COLUMNS = `r.attempt_id, r.id, r.cue_id, r.question_id, r.try_number, r.answer, r.verdict, r.points, r.answered_at,
  r.seen_share, r.took_ms, r.is_doubtful,
  CASE WHEN m.revision IS NOT NULL THEN json_build_object(
    'points', m.points, 'verdict', m.verdict, 'levels', m.levels, 'comment', m.comment, 'revision', m.revision,
    'by', b.name, 'at', m.marked_at, 'releasedAt', m.released_at) END`

/** The responses of these attempts, each group in the order of tries; attempts without any are missing. */
export async function responsesByAttempt(
  pool: pg.Pool,
  attemptIds: readonly string[],
  marks: Marks = 'given',
): Promise<Map<string, Response[]>> {
  const rows = await inColumns(pool)<Row>(
    `SELECT ${COLUMNS} FROM responses r
       LEFT JOIN marks m ON m.attempt_id = r.attempt_id AND m.response_id = r.id
         ${COUNTS[marks]}
       LEFT JOIN people b ON b.id = m.person_id
      WHERE r.attempt_id = ANY($1::text[]) ORDER BY r.try_number`,
    [[...attemptIds]],
  )
  return byAttempt(rows.map(toResponse))
}

/** As much of a response as it takes to say how somebody did, and how questions did. */
export interface Answered extends Pick<
  Response,
  | 'questionId'
  | 'tryNumber'
  | 'answer'
  | 'verdict'
  | 'points'
  | 'seenShare'
  | 'tookMs'
  | 'isDoubtful'
> {
  /** Whether a person has marked it. */
  isMarked: boolean
}

type AnsweredRow = [
  questionId: string,
  tryNumber: number,
  answer: Answer,
  verdict: Verdict,
  points: number,
  seenShare: number | null,
  tookMs: number | null,
  isDoubtful: boolean,
  isMarked: boolean,
]

/** What these attempts have answered, in the order of tries; one row an attempt, as JSON, which is read many times as fast. */
export async function answersByAttempt(
  pool: pg.Pool,
  attemptIds: readonly string[],
  marks: Marks = 'given',
): Promise<Map<string, Answered[]>> {
  const rows = await inColumns(pool)<[attemptId: string, answers: AnsweredRow[]]>(
    `SELECT r.attempt_id, json_agg(json_build_array(
              r.question_id, r.try_number, r.answer, coalesce(m.verdict, r.verdict), coalesce(m.points, r.points),
              r.seen_share, r.took_ms, r.is_doubtful, m.revision IS NOT NULL) ORDER BY r.try_number)
       FROM responses r
       LEFT JOIN marks m ON m.attempt_id = r.attempt_id AND m.response_id = r.id ${COUNTS[marks]}
      WHERE r.attempt_id = ANY($1::text[]) GROUP BY r.attempt_id`,
    [[...attemptIds]],
  )
  return new Map(rows.map(([attemptId, answers]) => [attemptId, answers.map(toAnswered)]))
}

function toAnswered(row: AnsweredRow): Answered {
  const [questionId, tryNumber, answer, verdict, points, ...more] = row
  const [seenShare, tookMs, isDoubtful, isMarked] = more
  return { questionId, tryNumber, answer, verdict, points, seenShare, tookMs, isDoubtful, isMarked }
}

/** What one attempt has answered, in the order of tries, as it was marked by itself. */
export const readOutcomes = (ask: Ask, attemptId: string) =>
  ask<Pick<Response, 'cueId' | 'questionId' | 'tryNumber' | 'answer' | 'verdict' | 'points'>>(
    `SELECT cue_id AS "cueId", question_id AS "questionId", try_number AS "tryNumber", answer, verdict, points
       FROM responses WHERE attempt_id = $1 ORDER BY try_number, answered_at`,
    [attemptId],
  )

function toResponse(row: Row): Response {
  const [attemptId, id, cueId, questionId, tryNumber, answer, ...more] = row
  const [verdict, points, answeredAt, seenShare, tookMs, isDoubtful, given] = more
  const mark = given && {
    ...given,
    at: new Date(given.at),
    releasedAt: given.releasedAt === null ? null : new Date(given.releasedAt),
  }
  return {
    attemptId,
    id,
    cueId,
    questionId,
    tryNumber,
    answer,
    answeredAt,
    seenShare,
    tookMs,
    isDoubtful,
    own: { verdict, points },
    mark,
    verdict: mark?.verdict ?? verdict,
    points: mark?.points ?? points,
  }
}
