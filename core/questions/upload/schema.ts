// Files that a learner hands in: a photo of a sketch, a document, a sound. A person looks at them.
import { z } from 'zod'
import { idSchema, plainText } from '../../fields/index.ts'
import { questionBase } from '../base.ts'
import { LONGEST_RUBRIC } from '../rubric.ts'
import { MOST_FILES, MOST_MEGABYTES } from '../limits.ts'
import { FILE_SORTS } from './sorts.ts'

export const uploadSchema = z.strictObject({
  ...questionBase,
  kind: z.literal('upload'),
  /** What whoever marks looks at, as a text; see rubric.ts. Without it there are points alone. */
  rubric: plainText(LONGEST_RUBRIC).optional(),
  /** Which sorts of file are taken. */
  takes: z.strictObject({
    picture: z.boolean(),
    document: z.boolean(),
    sound: z.boolean(),
    film: z.boolean(),
  } satisfies Record<(typeof FILE_SORTS)[number], z.ZodBoolean>),
  mostFiles: z.int().min(1).max(MOST_FILES),
  /** Of each file. */
  mostMegabytes: z.int().min(1).max(MOST_MEGABYTES),
})

/** A file that was handed in; its bytes travel apart and are there before the answer is. */
export const handedFileSchema = z.strictObject({
  id: idSchema,
  name: plainText(200, 1),
  bytes: z.int().min(1),
})

export const uploadAnswerSchema = z.strictObject({
  kind: z.literal('upload'),
  files: z.array(handedFileSchema).min(1).max(MOST_FILES),
})

export type UploadQuestion = z.infer<typeof uploadSchema>
export type UploadAnswer = z.infer<typeof uploadAnswerSchema>
export type HandedFile = z.infer<typeof handedFileSchema>
