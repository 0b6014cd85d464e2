// The smallest building blocks that every schema of Fernbrake shares: ids, plain texts, times, colours.
// Knows nothing of lessons, questions or the network.
import { z } from 'zod'
import { cleanText } from './clean.ts'

/** The longest media time that is accepted, in ms: twenty-four hours. */
export const LONGEST_MEDIA_MS = 24 * 60 * 60 * 1000

/** A short random id made by whoever creates the thing; safe as an object key, a path segment and a pointer. */
export const idSchema = z
  .string()
  .regex(
    /^(?!(?:__proto__|constructor|prototype)$)[A-Za-z0-9_-]{1,40}$/,
    'must be 1 to 40 letters, digits, _ or -, and no reserved word',
  )

/** A time in the film: whole milliseconds from its start. */
export const mediaMsSchema = z.int().min(0).max(LONGEST_MEDIA_MS)

/** A moment of clock time: ISO 8601 in UTC, of a year that calendars and databases know. */
export const clockSchema = z.iso
  .datetime()
  .refine(
    (text) => !text.startsWith('0000') && !Number.isNaN(Date.parse(text)),
    'is not a moment of clock time',
  )

/** Text without markup and without control characters, up to `max` characters. */
export function plainText(max: number, min = 0) {
  return z
    .string()
    .min(min)
    .max(max)
    .refine((text) => text === cleanText(text), 'contains control characters')
}

/** A language tag (see `languageMeant`) such as `en`, `pt-BR` or `x-cantle`, as it is kept: the language in small letters. */
export const languageSchema = z
  .string()
  .regex(/^(?:[a-z]{2,3}(?:-[A-Za-z0-9]{1,8})*|[ix](?:-[A-Za-z0-9]{1,8})+)$/)

/** A colour as #RRGGBB. */
export const colourSchema = z.string().regex(/^#[0-9a-fA-F]{6}$/)

/** A fractional ordering key (see the fractional-indexing package); compared as a plain string. */
export const orderSchema = z.string().regex(/^[A-Za-z0-9]{1,200}$/)

/** A stretch of a film part: `[fromMs, toMs)`. */
export const stretchSchema = z
  .strictObject({ partId: idSchema, fromMs: mediaMsSchema, toMs: mediaMsSchema })
  .refine((s) => s.fromMs < s.toMs, 'must end after it begins')

export type Id = z.infer<typeof idSchema>
export type Stretch = z.infer<typeof stretchSchema>

/** One thing wrong with a document or an input: where, a stable code, and the values a sentence needs. */
export interface Issue {
  path: (string | number)[]
  code: string
  message: string
}

/** Turns a Zod error into our issues. */
export function issuesOf(error: z.ZodError): Issue[] {
  return error.issues.map((issue) => ({
    path: issue.path.map((key) => (typeof key === 'symbol' ? String(key) : key)),
    code: issue.code,
    message: issue.message,
  }))
}
