// Text that may carry more than letters: marks, formulas, lists, tables, media. Plain text stays a plain string, so a
// text is either; nothing in it is ever markup, and so nothing in it can run.
import { z } from 'zod'
import { addressSchema, opensSchema } from './address.ts'
import { idSchema, mediaMsSchema, plainText } from './schemas.ts'

/** Letters of one text, at the most, over all its pieces; a text of more is cut by whoever pastes it. */
const MOST_LETTERS = 20_000
const MOST_PIECES = 400

/** A formula in TeX. Drawn without macros, files or links, and only up to this length. */
const texSchema = plainText(2000, 1)

const runSchema = z.union([
  z.strictObject({
    text: plainText(MOST_LETTERS, 1),
    marks: z
      .array(z.enum(['bold', 'italic', 'code', 'sub', 'super', 'highlight']))
      .max(6)
      .optional(),
    /** Where the words lead. */
    address: addressSchema.optional(),
  }),
  z.strictObject({ tex: texSchema }),
])

const runsSchema = z.array(runSchema).max(MOST_PIECES)

export const blockSchema = z.discriminatedUnion('block', [
  z.strictObject({ block: z.literal('paragraph'), runs: runsSchema }),
  z.strictObject({
    block: z.literal('list'),
    ordered: z.boolean(),
    items: z.array(runsSchema).min(1).max(100),
  }),
  z.strictObject({ block: z.literal('formula'), tex: texSchema }),
  z.strictObject({
    block: z.literal('table'),
    /** Whether the first row names the columns. */
    headed: z.boolean(),
    rows: z.array(z.array(runsSchema).min(1).max(12)).min(1).max(60),
  }),
  z.strictObject({
    block: z.literal('picture'),
    mediaId: idSchema,
    /** What it shows, for those who cannot see it. */
    alternative: plainText(1000),
  }),
  z.strictObject({ block: z.literal('sound'), mediaId: idSchema, title: plainText(200) }),
  /** A stretch of a film of this lesson, shown in place. */
  z
    .strictObject({
      block: z.literal('stretch'),
      partId: idSchema,
      fromMs: mediaMsSchema,
      toMs: mediaMsSchema,
    })
    .refine((stretch) => stretch.fromMs < stretch.toMs, 'must end after it begins'),
  /** A page of the web, opened over the lesson, or in a tab of its own where it does not let itself be shown. */
  z.strictObject({
    block: z.literal('page'),
    address: addressSchema,
    title: plainText(200),
    opens: opensSchema,
  }),
])

export const documentSchema = z
  .strictObject({ blocks: z.array(blockSchema).min(1).max(200) })
  .refine((text) => JSON.stringify(text).length <= 3 * MOST_LETTERS, 'is too long')

/** A text of at most `max` letters where it is plain. */
export function richText(max: number) {
  return z.union([plainText(max), documentSchema])
}

export type Run = z.infer<typeof runSchema>
export type TextMark = 'bold' | 'italic' | 'code' | 'sub' | 'super' | 'highlight'
export type Block = z.infer<typeof blockSchema>
export type RichDocument = z.infer<typeof documentSchema>
export type RichText = string | RichDocument
