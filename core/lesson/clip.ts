// A clip: cues that were copied, with the questions they ask, on their way to another time, film or lesson.
import { z } from 'zod'
import { idSchema } from '../fields/index.ts'
import { questionSchema } from '../questions/index.ts'
import { cueStartMs } from './order.ts'
import { cueSchema, type Cue, type Lesson } from './schema.ts'

/** As many cues as may be pasted at once. */
const MOST_CUES = 2000
/** A longer clipboard is not looked at, in characters. */
const LONGEST_CLIP = 5_000_000

export const clipSchema = z.strictObject({
  kind: z.literal('fernbrake-cues'),
  cues: z.array(cueSchema).min(1).max(MOST_CUES),
  questions: z.record(idSchema, questionSchema),
})

export type Clip = z.infer<typeof clipSchema>

/** Copies cues out of a lesson, in the order of their beginnings; null where none of them is there. */
export function clipOf(lesson: Lesson, cueIds: readonly string[]): Clip | null {
  const cues = cueIds
    .flatMap((id) => (Object.hasOwn(lesson.cues, id) ? [lesson.cues[id]!] : []))
    .sort((a, b) => cueStartMs(a) - cueStartMs(b))
  if (cues.length === 0) return null
  const questions = cues.flatMap((cue) =>
    cue.kind === 'question' ? [lesson.questions[cue.questionId]!] : [],
  )
  return {
    kind: 'fernbrake-cues',
    cues,
    questions: Object.fromEntries(questions.map((question) => [question.id, question])),
  }
}

/** Reads a clip from the clipboard; null where something else lies there. Never throws. */
export function readClip(text: string): Clip | null {
  if (text.length > LONGEST_CLIP || !text.includes('fernbrake-cues')) return null
  try {
    const parsed = clipSchema.safeParse(JSON.parse(text))
    if (!parsed.success) return null
    const isWhole = (cue: Cue) =>
      cue.kind !== 'question' || Object.hasOwn(parsed.data.questions, cue.questionId)
    return parsed.data.cues.every(isWhole) ? parsed.data : null
  } catch {
    return null
  }
}
