// What a lesson says about itself before it begins, and how it looks.
import { z } from 'zod'
import { colourSchema, idSchema, plainText } from '../fields/index.ts'

export const MOST_TAGS = 30

/** The picture that a lesson opens on, under a wash of colour on which its title stands. */
export const coverSchema = z.strictObject({
  mediaId: idSchema,
  wash: colourSchema,
  /** How much of the wash covers the picture. */
  strength: z.number().min(0).max(1),
  /** Letters light as paper or dark as ink: what reads best on this picture under this wash. */
  letters: z.enum(['paper', 'ink']),
})

/** The typefaces that ship. */
export const THEME_FONTS = ['literata', 'atkinson', 'bitter', 'nunito'] as const

export const themeSchema = z.strictObject({
  /** As the designer picked it; see `shownTheme` for what learners get. */
  accent: colourSchema,
  ground: colourSchema,
  /** Of titles and all that is read at length. */
  reading: z.enum(THEME_FONTS),
  /** Of buttons, lists and questions. */
  interface: z.enum(THEME_FONTS),
})

export const aboutFields = {
  /** What learners are to be able to do, one a line. */
  objectives: plainText(3000).optional(),
  tags: z.array(plainText(40, 1)).max(MOST_TAGS).optional(),
  /** For whom it is, in the designer's words. */
  level: plainText(100).optional(),
  licence: plainText(200).optional(),
  cover: coverSchema.optional(),
  theme: themeSchema.optional(),
}

export type Cover = z.infer<typeof coverSchema>
export type Theme = z.infer<typeof themeSchema>
export type ThemeFont = Theme['reading']
