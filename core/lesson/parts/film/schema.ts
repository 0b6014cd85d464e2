// A film: the one kind of part that plays, and so the only one that cues and scripts stand in.
import { z } from 'zod'
import { idSchema, mediaMsSchema } from '../../../fields/index.ts'
import { partBase } from '../base.ts'

export const seekRuleSchema = z.enum(['free', 'backOnly', 'none'])

export const frameRateSchema = z.enum([
  ...(['15', '23.976', '24', '25', '29.97', '30', '48', '50', '59.94', '60', '120'] as const),
])

export const filmPartSchema = z.strictObject({
  ...partBase,
  kind: z.literal('film'),
  mediaId: idSchema.nullable(),
  /** Known once the film has been probed. */
  durationMs: mediaMsSchema.nullable(),
  /** Null while nothing is known of the film, and where only its host has its frames. */
  frameRate: frameRateSchema.nullable(),
  /** Counts every number: only of 29.97 and 59.94 frames, where some are dropped without it. */
  timecode: z.literal('nonDrop').optional(),
  seekRule: seekRuleSchema,
})

export type FilmPart = z.infer<typeof filmPartSchema>
export type SeekRule = z.infer<typeof seekRuleSchema>
export type FrameRateName = z.infer<typeof frameRateSchema>
