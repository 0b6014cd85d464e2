// A deck: pictures, or the pages of a document, leafed through one at a time.
import { z } from 'zod'
import { idSchema, orderSchema, plainText, richText } from '../../../fields/index.ts'
import { partBase } from '../base.ts'

/** The most pages of a document that are drawn, and so the most slides that one makes. */
export const MOST_DOCUMENT_PAGES = 300

export const slideSchema = z.strictObject({
  id: idSchema,
  order: orderSchema,
  mediaId: idSchema,
  /** Of a document: which of its pages, from 1; without it the medium is a picture. */
  page: z.int().min(1).max(MOST_DOCUMENT_PAGES).optional(),
  title: plainText(200),
  /** What it shows, for those who cannot see it. */
  alternative: plainText(5000),
  /** What is said beside it. */
  notes: richText(20_000),
})

export const deckPartSchema = z.strictObject({
  ...partBase,
  kind: z.literal('deck'),
  slides: z.record(idSchema, slideSchema),
  /** The document that learners may take away; null for none. */
  offers: idSchema.nullable(),
})

export type DeckPart = z.infer<typeof deckPartSchema>
export type Slide = z.infer<typeof slideSchema>
