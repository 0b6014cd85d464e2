// What every part of a lesson has, whatever its kind.
import { z } from 'zod'
import { idSchema, orderSchema, plainText } from '../fields/index.ts'
import { gateSchema } from './routeSchema.ts'

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
