// A long answer in the learner's own words; a person reads it.
import { z } from 'zod'
import { plainText, richText } from '../../fields/index.ts'
import { questionBase } from '../base.ts'
import { LONGEST_RUBRIC } from '../rubric.ts'
import { LONGEST_TEXT } from '../limits.ts'

export const longTextSchema = z.strictObject({
  ...questionBase,
  kind: z.literal('longText'),
  /** What whoever marks looks at, as a text; see rubric.ts. Without it there are points alone. */
  rubric: plainText(LONGEST_RUBRIC).optional(),
  /** How many words are asked for; null for as many as one likes. */
  wordsFrom: z.int().min(1).max(2000).nullable(),
  wordsTo: z.int().min(1).max(2000).nullable(),
  /** A good answer, shown to the learner afterwards and to whoever marks; empty for none. */
  model: richText(4000),
})

export const longTextAnswerSchema = z.strictObject({
  kind: z.literal('longText'),
  text: plainText(LONGEST_TEXT, 1),
})

export type LongTextQuestion = z.infer<typeof longTextSchema>
export type LongTextAnswer = z.infer<typeof longTextAnswerSchema>
