// A page: blocks to be read, seen, heard and answered, one under the other or in two columns.
import { z } from 'zod'
import {
  addressSchema,
  idSchema,
  opensSchema,
  orderSchema,
  plainText,
  richText,
  stretchSchema,
} from '../../../fields/index.ts'
import { partBase, toneSchema } from '../base.ts'

const blockBase = {
  id: idSchema,
  order: orderSchema,
  /** The columns that it stands in, and on which side; without it, it stands on the page itself. */
  inside: z.strictObject({ columnsId: idSchema, side: z.enum(['first', 'second']) }).optional(),
  /** A coloured ground. */
  tone: toneSchema.optional(),
  /** Without it, as wide as a line of text reads well. */
  width: z.enum(['narrow', 'wide']).optional(),
  /** Without it, where the writing begins. */
  align: z.enum(['centre', 'end']).optional(),
  /** What the designer says in the margin. */
  note: plainText(1000, 1).optional(),
}

const kindOf = <K extends string>(kind: K) => ({ ...blockBase, kind: z.literal(kind) })
const medium = { mediaId: idSchema.nullable() }

export const pageBlockSchema = z.discriminatedUnion('kind', [
  z.strictObject({ ...kindOf('text'), text: richText(20_000) }),
  z.strictObject({ ...kindOf('heading'), words: plainText(300), level: z.literal([2, 3]) }),
  z.strictObject({
    ...kindOf('picture'),
    ...medium,
    /** What it shows, for those who cannot see it. */
    alternative: plainText(1000),
    caption: plainText(1000),
  }),
  z.strictObject({ ...kindOf('sound'), ...medium, title: plainText(200) }),
  /** A film from the shelf, played in place. */
  z.strictObject({ ...kindOf('film'), ...medium, title: plainText(200) }),
  /** A stretch of one of this lesson's films; what is watched here counts as watched there. */
  z.strictObject({ ...kindOf('stretch'), stretch: stretchSchema.nullable() }),
  /** A file to take away. */
  z.strictObject({ ...kindOf('file'), ...medium, title: plainText(200) }),
  z.strictObject({
    ...kindOf('web'),
    address: addressSchema.nullable(),
    title: plainText(200),
    opens: opensSchema,
  }),
  z.strictObject({ ...kindOf('fact'), title: plainText(200), text: richText(20_000) }),
  z.strictObject({ ...kindOf('question'), questionId: idSchema }),
  z.strictObject({
    ...kindOf('columns'),
    split: z.enum(['halves', 'firstWide', 'secondWide']),
    /** The first column stays in sight while the second passes by it. */
    stays: z.boolean(),
  }),
])

export const pagePartSchema = z.strictObject({
  ...partBase,
  kind: z.literal('page'),
  blocks: z.record(idSchema, pageBlockSchema),
})

export type PagePart = z.infer<typeof pagePartSchema>
export type PageBlock = z.infer<typeof pageBlockSchema>
export type PageBlockKind = PageBlock['kind']
