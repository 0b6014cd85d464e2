// A recording of the learner's voice or camera, made in place. A person listens to it.
import { z } from 'zod'
import { idSchema, plainText } from '../../fields/index.ts'
import { questionBase } from '../base.ts'
import { LONGEST_RUBRIC } from '../rubric.ts'
import { LONGEST_RECORDING_S } from '../limits.ts'

export const recordingSchema = z.strictObject({
  ...questionBase,
  kind: z.literal('recording'),
  /** What whoever marks looks at, as a text; see rubric.ts. Without it there are points alone. */
  rubric: plainText(LONGEST_RUBRIC).optional(),
  of: z.enum(['voice', 'camera']),
  mostSeconds: z.int().min(5).max(LONGEST_RECORDING_S),
})

export const recordingAnswerSchema = z.strictObject({
  kind: z.literal('recording'),
  /** Its bytes travel apart and are there before the answer is. */
  file: z.strictObject({ id: idSchema, bytes: z.int().min(1) }),
  durationMs: z.int().min(1),
})

export type RecordingQuestion = z.infer<typeof recordingSchema>
export type RecordingAnswer = z.infer<typeof recordingAnswerSchema>
