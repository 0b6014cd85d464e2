// How far a learner has come with a lesson: what the server tells a player that opens it, brought on by each record since.
import { z } from 'zod'
import { idSchema, made } from '../fields/index.ts'
import { answerSchema } from '../questions/index.ts'
import { notePlaceSchema } from './placeSchemas.ts'

export const ownNoteSchema = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: idSchema,
    partId: idSchema,
    place: notePlaceSchema,
    words: z.string(),
    at: z.string(),
  }),
)

/** An answer that was given, and what came of it. */
export const pastResponseSchema = /* @__PURE__ */ made(() =>
  z.strictObject({
    cueId: idSchema,
    questionId: idSchema,
    tryNumber: z.int(),
    answer: answerSchema,
    verdict: z.enum(['right', 'partly', 'wrong', 'unmarked']),
    points: z.number(),
    /** Where a person has marked it, and said so. */
    marked: z
      .strictObject({
        points: z.number(),
        levels: z.array(z.int().nullable()).nullable(),
        comment: z.string(),
      })
      .optional(),
    /** How it stands with what was picked or filled, where the question was cut and a try is left. */
    perPart: z
      .array(z.strictObject({ id: z.string(), picked: z.boolean(), right: z.boolean() }))
      .optional(),
  }),
)

/** Conditions that a device cannot judge, because questions were cut for this learner; see core/routes. */
export const judgedSchema = /* @__PURE__ */ made(() =>
  z.strictObject({ shut: z.array(idSchema), open: z.record(idSchema, z.array(idSchema)) }),
)

export const progressSchema = /* @__PURE__ */ made(() =>
  z.strictObject({
    partId: idSchema.nullable(),
    atMs: z.int(),
    released: z.array(idSchema),
    /** The parts that were finished. */
    finishedParts: z.array(idSchema),
    /** What was seen in each part that was opened; the part itself stands for its opening. */
    seen: z.record(idSchema, z.array(idSchema)),
    covered: z.record(idSchema, z.array(z.strictObject({ fromMs: z.int(), toMs: z.int() }))),
    responses: z.array(pastResponseSchema),
    /** The way taken last at each fork. */
    chosen: z.record(idSchema, idSchema),
    /** What the learner wrote for themselves; nobody else is told. */
    ownNotes: z.array(ownNoteSchema),
    /** Null where the device can judge every condition itself. */
    judged: judgedSchema.nullable(),
  }),
)

export type LearnerProgress = z.infer<typeof progressSchema>
export type PastResponse = z.infer<typeof pastResponseSchema>

/** That of somebody who has just begun. */
export const noProgress = (): LearnerProgress => ({
  partId: null,
  atMs: 0,
  released: [],
  finishedParts: [],
  seen: {},
  covered: {},
  responses: [],
  chosen: {},
  ownNotes: [],
  judged: null,
})
