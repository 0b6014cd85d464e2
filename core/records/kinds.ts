// The kinds of records: a new one is a file in `kinds/` and a line in each of these three lists.
import { z } from 'zod'
import { made } from '../fields/index.ts'
import type { Lesson } from '../lesson/index.ts'
import type { Advance, RecordKind } from './base.ts'
import { advanceChoice, choice, choiceRecordSchema } from './kinds/choice.ts'
import { advanceFinish, finish, finishRecordSchema } from './kinds/finish.ts'
import { advanceOwnNote, ownNote, ownNoteRecordSchema } from './kinds/ownNote.ts'
import { advancePlace, place, placeRecordSchema } from './kinds/place.ts'
import { advanceResponse, response, responseRecordSchema } from './kinds/response.ts'
import { advanceSay, say, sayRecordSchema } from './kinds/say.ts'
import { advanceSeen, seen, seenRecordSchema } from './kinds/seen.ts'
import { advanceSpan, span, spanRecordSchema } from './kinds/span.ts'
import type { LearnerProgress } from './progress.ts'
import type { Refusal } from './refusals.ts'

/** Any record, as it is sent. */
export const learnerRecordSchema = /* @__PURE__ */ made(() =>
  z.discriminatedUnion('kind', [
    spanRecordSchema,
    responseRecordSchema,
    placeRecordSchema,
    finishRecordSchema,
    choiceRecordSchema,
    seenRecordSchema,
    ownNoteRecordSchema,
    sayRecordSchema,
  ]),
)
export type LearnerRecord = z.infer<typeof learnerRecordSchema>
export type RecordKindName = LearnerRecord['kind']

type Sent<Name extends RecordKindName> = Extract<LearnerRecord, { kind: Name }>

/** What is known of each kind; the types refuse a list that leaves one out. */
const KINDS: { readonly [Name in RecordKindName]: RecordKind<Sent<Name>> } = {
  span,
  response,
  place,
  finish,
  choice,
  seen,
  ownNote,
  say,
}

/** What each brings on. */
const ADVANCES: { readonly [Name in RecordKindName]: Advance<Sent<Name>> } = {
  span: advanceSpan,
  response: advanceResponse,
  place: advancePlace,
  finish: advanceFinish,
  choice: advanceChoice,
  seen: advanceSeen,
  ownNote: advanceOwnNote,
  say: advanceSay,
}

/** What a record's kind knows of it. */
export const kindOf = (record: LearnerRecord) => KINDS[record.kind] as RecordKind<LearnerRecord>

export const timesIn = (record: LearnerRecord): string[] => kindOf(record).timesIn(record)

/** Why a record can never be accepted, as far as the lesson alone tells. */
export const faultIn = (lesson: Lesson, record: LearnerRecord): Refusal | null =>
  kindOf(record).faultIn(lesson, record)

/** Brings a learner's progress to what it is with this record. Changes it in place. */
export const advance = (lesson: Lesson, progress: LearnerProgress, record: LearnerRecord): void =>
  (ADVANCES[record.kind] as Advance<LearnerRecord>)(progress, record, lesson)
