// A number, with a tolerance and perhaps a unit.
import { z } from 'zod'
import { plainText } from '../../fields/index.ts'
import { questionBase } from '../base.ts'
import { LONGEST_NUMBER } from '../limits.ts'

export const toleranceSchema = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('absolute'), amount: z.number().min(0) }),
  /** A share of the right value. */
  z.strictObject({ by: z.literal('relative'), share: z.number().min(0).max(1) }),
  /** As many figures have to be right as these. */
  z.strictObject({ by: z.literal('figures'), figures: z.int().min(1).max(15) }),
])

export const numberSchema = z.strictObject({
  ...questionBase,
  kind: z.literal('number'),
  value: z.number(),
  tolerance: toleranceSchema,
  /** The unit of `value`; '' for none. */
  unit: plainText(40),
  /** Whether the unit has to be written; where it need not be, a wrong one still counts as wrong. */
  unitNeeded: z.boolean(),
  /** The share of the points for a right value without its unit, or with a wrong one. */
  wrongUnitShare: z.number().min(0).max(1),
  /** Which sign parts whole from decimal places where both readings are possible. */
  decimals: z.enum(['point', 'comma', 'either']),
})

export const numberAnswerSchema = z.strictObject({
  kind: z.literal('number'),
  text: plainText(LONGEST_NUMBER),
})

export type Tolerance = z.infer<typeof toleranceSchema>
export type NumberQuestion = z.infer<typeof numberSchema>
export type NumberAnswer = z.infer<typeof numberAnswerSchema>
