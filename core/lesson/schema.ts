// The lesson document: plain JSON, maps keyed by id, fractional order keys, never an array that an edit would index.
import { z } from 'zod'
import {
  idSchema,
  languageSchema,
  mediaMsSchema,
  orderSchema,
  plainText,
  richText,
} from '../fields/index.ts'
import { questionSchema } from '../questions/index.ts'
import { aboutFields } from './aboutSchema.ts'
import { forkFields } from './forkSchema.ts'
import { emptyEnding, endingSchema } from './parts/base.ts'
import { partSchema } from './parts/schema.ts'
import { routeSchema } from './routeSchema.ts'
import { boxSchema, namedLookSchema, overlayExtras, overlayLookSchema } from './overlaySchema.ts'

export const LESSON_SCHEMA_VERSION = 2
/** The time that a question may set, in ms. */
export const SHORTEST_COUNTDOWN_MS = 3000
export const LONGEST_COUNTDOWN_MS = 3_600_000

export const scriptLineSchema = z
  .strictObject({
    id: idSchema,
    fromMs: mediaMsSchema,
    toMs: mediaMsSchema,
    text: plainText(2000),
    /** What the caption file said besides: the cue's name, its settings, and its words with their markup. */
    carried: z
      .strictObject({
        name: plainText(500).optional(),
        settings: plainText(500).optional(),
        markup: plainText(5000).optional(),
      })
      .optional(),
  })
  .refine((line) => line.fromMs < line.toMs, 'must end after it begins')

export const scriptSchema = z.strictObject({
  id: idSchema,
  partId: idSchema,
  language: languageSchema,
  lines: z.record(idSchema, scriptLineSchema),
  /** What the caption file said besides its cues, and which kind of file it was. */
  carried: z
    .strictObject({
      format: z.enum(['webvtt', 'srt']),
      header: plainText(5000),
      /** Notes, styles and regions, each before the line with this id, or at the end. */
      blocks: z
        .array(z.strictObject({ before: idSchema.nullable(), text: plainText(20_000) }))
        .max(1000),
    })
    .optional(),
})

const cueBase = { id: idSchema, partId: idSchema, order: orderSchema }

/**
 * `none` runs beside the film; the others hold playback: until it is dismissed, until it is answered, or until it
 * is answered right (or no try is left).
 */
export const holdSchema = z.enum(['none', 'shown', 'answered', 'right'])

export const questionCueSchema = z.strictObject({
  ...cueBase,
  kind: z.literal('question'),
  atMs: mediaMsSchema,
  questionId: idSchema,
  hold: holdSchema,
  /** A wrong answer sends the learner back to the evidence, once a try. */
  sendBack: z.boolean(),
  /** Ask again on every re-watching, not only the first time. */
  again: z.boolean(),
  /** So long a learner has for it, all tries together; without it as long as they like. Only where it holds. */
  countdownMs: z.int().min(SHORTEST_COUNTDOWN_MS).max(LONGEST_COUNTDOWN_MS).optional(),
})

export const overlayCueSchema = z
  .strictObject({
    ...cueBase,
    kind: z.literal('overlay'),
    fromMs: mediaMsSchema,
    toMs: mediaMsSchema,
    box: boxSchema,
    text: plainText(1000),
    look: overlayLookSchema,
    ...overlayExtras,
  })
  .refine((cue) => cue.fromMs < cue.toMs, 'must end after it begins')

export const forkCueSchema = z.strictObject({ ...cueBase, ...forkFields })

export const bookmarkCueSchema = z.strictObject({
  ...cueBase,
  kind: z.literal('bookmark'),
  atMs: mediaMsSchema,
  title: plainText(200),
})

/** A designer's own note at a time; learners never get it. */
export const noteCueSchema = z.strictObject({
  ...cueBase,
  kind: z.literal('note'),
  atMs: mediaMsSchema,
  text: plainText(2000),
})

export const cueSchema = z.discriminatedUnion('kind', [
  questionCueSchema,
  overlayCueSchema,
  bookmarkCueSchema,
  forkCueSchema,
  noteCueSchema,
])

/** What several questions are about: a passage, a picture, a stretch of film, or all of them. */
export const materialSchema = z.strictObject({
  id: idSchema,
  order: orderSchema,
  title: plainText(200),
  text: richText(20_000),
})

export const lessonSchema = z.strictObject({
  schemaVersion: z.literal(LESSON_SCHEMA_VERSION),
  title: plainText(200),
  summary: plainText(2000),
  language: languageSchema,
  parts: z.record(idSchema, partSchema),
  scripts: z.record(idSchema, scriptSchema),
  cues: z.record(idSchema, cueSchema),
  questions: z.record(idSchema, questionSchema),
  ending: endingSchema,
  /** Looks of overlays, kept under a name. */
  looks: z.record(idSchema, namedLookSchema).optional(),
  materials: z.record(idSchema, materialSchema).optional(),
  /** Ways from the end of one part to another, or out of the lesson. */
  routes: z.record(idSchema, routeSchema).optional(),
  /** Whether learners may open the parts as they like (as without it), or only one after the other. */
  navigation: z.enum(['free', 'inOrder']).optional(),
  /** What stands before the names of the parts; without it, numbers. */
  numbering: z.enum(['none', 'numbers', 'letters']).optional(),
  ...aboutFields,
})

export type Lesson = z.infer<typeof lessonSchema>
export type Script = z.infer<typeof scriptSchema>
export type ScriptLine = z.infer<typeof scriptLineSchema>
export type Cue = z.infer<typeof cueSchema>
export type QuestionCue = z.infer<typeof questionCueSchema>
export type OverlayCue = z.infer<typeof overlayCueSchema>
export type BookmarkCue = z.infer<typeof bookmarkCueSchema>
export type ForkCue = z.infer<typeof forkCueSchema>
export type NoteCue = z.infer<typeof noteCueSchema>
export type Material = z.infer<typeof materialSchema>
export type Hold = z.infer<typeof holdSchema>

/** A lesson with nothing in it yet. */
export function emptyLesson(title: string, language = 'en'): Lesson {
  return {
    schemaVersion: LESSON_SCHEMA_VERSION,
    title,
    summary: '',
    language,
    parts: {},
    scripts: {},
    cues: {},
    questions: {},
    ending: emptyEnding(),
  }
}
