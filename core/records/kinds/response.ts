// A question was answered.
import { z } from 'zod'
import { clockSchema, idSchema, made } from '../../fields/index.ts'
import { askingOf } from '../../lesson/index.ts'
import { answerSchema, markQuestion } from '../../questions/index.ts'
import type { Advance, RecordKind } from '../base.ts'

export const responseRecordSchema = /* @__PURE__ */ made(() =>
  z.strictObject({
    kind: z.literal('response'),
    id: idSchema,
    /** What asks it: a cue, an item of a quiz, a block of a page, a pin of a still. */
    cueId: idSchema,
    questionId: idSchema,
    answer: answerSchema,
    answeredAt: clockSchema,
    /** How long the question had been open by then, in ms, where that is known; a countdown goes by it. */
    waitedMs: z.int().min(0).max(1_000_000_000).optional(),
  }),
)
export type ResponseRecordInput = z.infer<typeof responseRecordSchema>

/** Time is counted in steps, and giving an answer takes a moment, in ms. */
const COUNTDOWN_SLACK_MS = 1000

/** Answers are marked with what was answered before (`answers.ts`). */
export const response: RecordKind<ResponseRecordInput> = {
  timesIn: ({ answeredAt }) => [answeredAt],
  faultIn(lesson, { cueId, questionId, waitedMs = 0 }) {
    const asking = askingOf(lesson, cueId)
    if (asking?.questionId !== questionId) return 'unknownQuestion'
    return waitedMs > (asking.countdownMs ?? Infinity) + COUNTDOWN_SLACK_MS ? 'tooLate' : null
  },
}

export const advanceResponse: Advance<ResponseRecordInput> = (
  progress,
  { cueId, questionId, answer },
  lesson,
) => {
  const question = lesson.questions[questionId]
  if (!question) return
  const { verdict, points } = markQuestion(question, answer)
  const tries = progress.responses.filter((one) => one.questionId === questionId).length
  progress.responses.push({ cueId, questionId, answer, verdict, points, tryNumber: tries + 1 })
}
