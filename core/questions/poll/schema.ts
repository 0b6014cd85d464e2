// A poll: what people think, without right or wrong; how the others answered may be drawn.
import { z } from 'zod'
import { colourSchema, idSchema, orderSchema, richText } from '../../fields/index.ts'
import { questionBase } from '../base.ts'

/** Who sees how all answered, once they have answered themselves. */
export const resultsForSchema = z.enum(['nobody', 'everyone'])

export const pollOptionSchema = z.strictObject({
  id: idSchema,
  order: orderSchema,
  text: richText(500),
  /** Of its bar; null for the usual one. */
  colour: colourSchema.nullable(),
})

export const pollSchema = z.strictObject({
  ...questionBase,
  kind: z.literal('poll'),
  several: z.boolean(),
  options: z.record(idSchema, pollOptionSchema),
  resultsFor: resultsForSchema,
})

export const pollAnswerSchema = z.strictObject({
  kind: z.literal('poll'),
  picked: z.array(idSchema).max(100),
})

export type ResultsFor = z.infer<typeof resultsForSchema>
export type PollQuestion = z.infer<typeof pollSchema>
export type PollOption = z.infer<typeof pollOptionSchema>
export type PollAnswer = z.infer<typeof pollAnswerSchema>
