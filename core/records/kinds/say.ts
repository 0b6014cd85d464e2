// Something was said to the class, changed or taken back; of one post the newest by `at` holds. See core/talk.
import { z } from 'zod'
import { clockSchema, idSchema, made, plainText } from '../../fields/index.ts'
import { isRange, LONGEST_POST, NUMBER_LIMIT, POST_SORTS } from '../../talk/index.ts'
import type { Advance, RecordKind } from '../base.ts'
import { postPlaceSchema } from '../placeSchemas.ts'

const saidFields = () => ({
  postId: idSchema,
  sort: z.enum(POST_SORTS),
  replyTo: idSchema.nullable(),
  partId: idSchema,
  place: postPlaceSchema,
  words: plainText(LONGEST_POST),
  number: z.number().min(-NUMBER_LIMIT).max(NUMBER_LIMIT).nullable(),
  range: z
    .strictObject({ from: z.int(), to: z.int() })
    .refine(isRange, 'must lead from a smaller to a larger number')
    .nullable(),
  /** Taken back; the words are of no interest then. */
  isGone: z.boolean(),
  at: clockSchema,
})

interface SaidFields {
  sort: string
  replyTo: string | null
  words: string
  number: number | null
  range: object | null
  isGone: boolean
}
/** Whether the fields of a saying make sense together. */
const isWhole = ({ sort, replyTo, words, number, range, isGone }: SaidFields) =>
  (sort === 'reply') === (replyTo !== null) &&
  (range === null || sort === 'prompt') &&
  (number === null || sort === 'reply') &&
  (isGone || number !== null || words.trim() !== '')
const WHOLE = 'must say something, and no more than its sort allows'

/** What is said, changed or taken back, by whoever says it. */
export const sayingSchema = /* @__PURE__ */ made(() =>
  z.strictObject(saidFields()).refine(isWhole, WHOLE),
)
export type Saying = z.infer<typeof sayingSchema>

/** The same, as a learner's player sends it. */
export const sayRecordSchema = /* @__PURE__ */ made(() =>
  z.strictObject({ kind: z.literal('say'), id: idSchema, ...saidFields() }).refine(isWhole, WHOLE),
)
export type SayRecord = z.infer<typeof sayRecordSchema>

/** What may be said is for the talk to judge, which knows what was said before. */
export const say: RecordKind<SayRecord> = { timesIn: ({ at }) => [at], faultIn: () => null }

/** What is said to others is no progress. */
export const advanceSay: Advance<SayRecord> = () => undefined
