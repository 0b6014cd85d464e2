// A chronicle: what happened, and when.
import { z } from 'zod'
import { chronicleDateSchema } from '../../../chronicle/index.ts'
import { colourSchema, idSchema, orderSchema, plainText, richText } from '../../../fields/index.ts'
import { partBase } from '../base.ts'

export const chronicleItemSchema = z.strictObject({
  id: idSchema,
  order: orderSchema,
  title: plainText(200),
  from: chronicleDateSchema,
  /** The last day, month or year that belongs to it; null where it is one moment. */
  until: chronicleDateSchema.nullable(),
  text: richText(20_000),
  /** A picture, a sound or a film; null for none. */
  medium: z
    .strictObject({
      mediaId: idSchema,
      kind: z.enum(['picture', 'sound', 'film']),
      alternative: plainText(1000),
      caption: plainText(500),
      credit: plainText(500),
    })
    .nullable(),
  categoryId: idSchema.nullable(),
})

export const categorySchema = z.strictObject({
  id: idSchema,
  order: orderSchema,
  name: plainText(100),
  colour: colourSchema,
})

export const chroniclePartSchema = z.strictObject({
  ...partBase,
  kind: z.literal('chronicle'),
  text: richText(20_000),
  items: z.record(idSchema, chronicleItemSchema),
  categories: z.record(idSchema, categorySchema),
  /** Drawn faintly behind the items. */
  background: z.strictObject({ mediaId: idSchema }).nullable(),
  /** How it is met first. */
  opensAs: z.enum(['drawing', 'list']),
})

export type ChroniclePart = z.infer<typeof chroniclePartSchema>
export type ChronicleItem = z.infer<typeof chronicleItemSchema>
export type Category = z.infer<typeof categorySchema>
