// A scale: how much, from one whole number to another, without right or wrong.
import { z } from 'zod'
import { colourSchema, plainText } from '../../fields/index.ts'
import { questionBase } from '../base.ts'
import { resultsForSchema } from '../poll/schema.ts'

/** More steps than this cannot be told apart on a phone. */
export const MOST_STEPS = 11

export const scaleSchema = z
  .strictObject({
    ...questionBase,
    kind: z.literal('scale'),
    from: z.int().min(-100).max(100),
    to: z.int().min(-100).max(100),
    /** What the two ends, and the middle if there is one, stand for. */
    labels: z.strictObject({ from: plainText(80), middle: plainText(80), to: plainText(80) }),
    colour: colourSchema.nullable(),
    resultsFor: resultsForSchema,
  })
  .refine((scale) => scale.from < scale.to, 'must end above where it begins')
  .refine((scale) => scale.to - scale.from < MOST_STEPS, 'has too many steps')

export const scaleAnswerSchema = z.strictObject({
  kind: z.literal('scale'),
  value: z.int().min(-100).max(100),
})

export type ScaleQuestion = z.infer<typeof scaleSchema>
export type ScaleAnswer = z.infer<typeof scaleAnswerSchema>
