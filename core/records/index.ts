// The only door of core/records: what a learner's player says, how far a learner has come by it, and the one judge of it.
export {
  advance,
  faultIn,
  learnerRecordSchema,
  timesIn,
  type LearnerRecord,
  type RecordKindName,
} from './kinds.ts'
export { judgeBatch, type Judgement, type RecordBatch } from './judge.ts'
export { judgeAnswer, type AnswerFacts, type AnswerOutcome, type MarkedAnswer } from './answers.ts'
export { addUp, type JudgedSpan, type PartWatched, type RecordRules } from './watched.ts'
export type { ChoiceReported, NoteReported, Report, SeenReported } from './report.ts'
export { heardAt, timeOf, type BatchTime } from './time.ts'
export { REFUSALS, type Outcomes, type Refusal } from './refusals.ts'
export {
  judgedSchema,
  noProgress,
  pastResponseSchema,
  progressSchema,
  type LearnerProgress,
  type PastResponse,
} from './progress.ts'
export { momentFault } from './places.ts'
export { postPlaceSchema } from './placeSchemas.ts'
export { sayingSchema, type SayRecord, type Saying } from './kinds/say.ts'
export type { ChoiceRecord } from './kinds/choice.ts'
export type { FinishRecord } from './kinds/finish.ts'
export type { OwnNoteRecord } from './kinds/ownNote.ts'
export type { PlaceRecord } from './kinds/place.ts'
export type { ResponseRecordInput } from './kinds/response.ts'
export type { SeenRecord } from './kinds/seen.ts'
export type { SpanRecord } from './kinds/span.ts'
