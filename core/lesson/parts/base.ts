// What every part of a lesson has, whatever its kind.
import { z } from 'zod'
import { idSchema, orderSchema, plainText } from '../../fields/index.ts'
import { gateSchema } from '../routeSchema.ts'

export const LONGEST_PART_TITLE = 200

export const partBase = {
  id: idSchema,
  title: plainText(LONGEST_PART_TITLE),
  order: orderSchema,
  /** Not ready for learners: it stays in the draft and comes into no edition. */
  hidden: z.literal(true).optional(),
  /** What must hold before a learner may enter it. */
  gate: gateSchema.optional(),
}

/** Colours by their names in the look of Fernbrake; each has a soft ground that its ink can be read on. */
export const TONES = ['fern', 'rust', 'slate', 'plum', 'straw'] as const
export const toneSchema = z.enum(TONES)

export type Tone = z.infer<typeof toneSchema>

/** What every part has, apart from its kind. */
export interface PartBase {
  id: string
  title: string
  order: string
}

/** What is said to those who have this share of the marks, or more of them. */
export const endBandSchema = z.strictObject({
  id: idSchema,
  from: z.number().min(0).max(1),
  message: plainText(2000),
})

/** What is said at the end, of a lesson or of a quiz. */
export const endingSchema = z.strictObject({
  message: plainText(2000),
  /** Instead, by the share of the marks: what the highest says that a learner reaches. A pass is one of them too. */
  bands: z.record(idSchema, endBandSchema).optional(),
  /** Instead, to those who have this share of the marks; null where nobody passes or fails. */
  pass: z.strictObject({ share: z.number().min(0).max(1), message: plainText(2000) }).nullable(),
})

export type Ending = z.infer<typeof endingSchema>
export type EndBand = z.infer<typeof endBandSchema>

/** An end without a word of its own. */
export function emptyEnding(): Ending {
  return { message: '', pass: null }
}
