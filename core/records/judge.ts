// The one judge of what a player says: a batch of records against its lesson, its rules and the clock. Stores nothing.
// Answers and sayings are judged one by one, with what is stored of them (`answers.ts`, and core/talk).
import type { Lesson } from '../lesson/index.ts'
import { faultIn, kindOf, type LearnerRecord } from './kinds.ts'
import type { SpanRecord } from './kinds/span.ts'
import type { Outcomes } from './refusals.ts'
import { emptyReport, type Report } from './report.ts'
import { heardAt, type BatchTime } from './time.ts'
import { judgeWatched, type RecordRules, type Watched } from './watched.ts'

export interface RecordBatch {
  lesson: Lesson
  records: readonly LearnerRecord[]
  /** Those of the assignment; null where the lesson was given to nobody. */
  rules: RecordRules | null
}

export interface Judgement {
  /** Of all records but answers and sayings; of notes only those that are refused: whether there is room for the others, is known where they are stored. */
  outcomes: Outcomes
  watched: Watched
  report: Report
}

/** Judges a batch; `known` are the ids of spans that are stored already. */
export function judgeBatch(
  { lesson, records, rules }: RecordBatch,
  time: BatchTime,
  known: ReadonlySet<string>,
): Judgement {
  const report = emptyReport()
  const spans: SpanRecord[] = []
  const outcomes: Outcomes = []
  const heard = (at: string) => heardAt(at, time).at
  for (const record of records) {
    if (record.kind === 'response' || record.kind === 'say') continue
    const fault = faultIn(lesson, record)
    if (fault || record.kind !== 'ownNote') outcomes.push([record.id, fault])
    if (fault) continue
    if (record.kind !== 'span') kindOf(record).report?.(report, record, heard, lesson)
    else if (!known.has(record.id)) spans.push(record)
  }
  return { outcomes, watched: judgeWatched(lesson, rules, time, spans), report }
}
