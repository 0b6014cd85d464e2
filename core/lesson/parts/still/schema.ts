// A still: a picture with pins that open something.
import { z } from 'zod'
import {
  addressSchema,
  colourSchema,
  idSchema,
  opensSchema,
  orderSchema,
  plainText,
  richText,
} from '../../../fields/index.ts'
import { partBase } from '../base.ts'

export const PIN_SHAPES = ['round', 'square', 'kite', 'flag'] as const
export const pinShapeSchema = z.enum(PIN_SHAPES)

/** What a pin opens. Pictures, sounds and stretches of film stand in its text. */
export const pinOpensSchema = z.discriminatedUnion('what', [
  z.strictObject({ what: z.literal('text'), text: richText(20_000) }),
  z.strictObject({ what: z.literal('question'), questionId: idSchema }),
  z.strictObject({
    what: z.literal('link'),
    address: addressSchema.nullable(),
    title: plainText(200),
    opens: opensSchema,
  }),
  /** Another part; null where none is named, or the one that was is gone. */
  z.strictObject({ what: z.literal('part'), partId: idSchema.nullable() }),
])

export const pinSchema = z.strictObject({
  id: idSchema,
  order: orderSchema,
  /** Its point on the picture, 0 to 1 in both directions. */
  x: z.number().min(0).max(1),
  y: z.number().min(0).max(1),
  name: plainText(200),
  shape: pinShapeSchema,
  colour: colourSchema,
  /** What stands on it; its number where it is empty. */
  symbol: plainText(3),
  opens: pinOpensSchema,
})

export const stillPartSchema = z.strictObject({
  ...partBase,
  kind: z.literal('still'),
  mediaId: idSchema.nullable(),
  /** What the picture shows, for those who cannot see it. */
  alternative: plainText(1000),
  /** What is said above it. */
  text: richText(20_000),
  pins: z.record(idSchema, pinSchema),
})

export type StillPart = z.infer<typeof stillPartSchema>
export type Pin = z.infer<typeof pinSchema>
export type PinShape = z.infer<typeof pinShapeSchema>
export type PinOpens = z.infer<typeof pinOpensSchema>

/** What a new pin looks like. */
export const USUAL_PIN = { shape: 'round', colour: '#24603F', symbol: '' } as const
