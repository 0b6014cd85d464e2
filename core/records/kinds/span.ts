// A stretch of a film was played.
import { z } from 'zod'
import { clockSchema, idSchema, made, mediaMsSchema } from '../../fields/index.ts'
import type { Advance, RecordKind } from '../base.ts'
import { END_SLACK_MS, lengthOf } from '../places.ts'

export const spanRecordSchema = /* @__PURE__ */ made(() =>
  z
    .strictObject({
      kind: z.literal('span'),
      id: idSchema,
      partId: idSchema,
      fromMs: mediaMsSchema,
      toMs: mediaMsSchema,
      rate: z.number().min(0.1).max(16),
      beganAt: clockSchema,
      endedAt: clockSchema,
      muted: z.boolean(),
      hidden: z.boolean(),
    })
    .refine((span) => span.fromMs < span.toMs, 'must end after it begins'),
)
export type SpanRecord = z.infer<typeof spanRecordSchema>

/** The spans of a batch are judged together (`watched.ts`). */
export const span: RecordKind<SpanRecord> = {
  timesIn: ({ beganAt, endedAt }) => [beganAt, endedAt],
  faultIn(lesson, { partId, fromMs, toMs }) {
    const durationMs = lengthOf(lesson, partId)
    if (durationMs === null) return 'unknownPart'
    return toMs > durationMs + END_SLACK_MS || fromMs >= durationMs ? 'beyondEnd' : null
  },
}

export const advanceSpan: Advance<SpanRecord> = ({ covered }, { partId, fromMs, toMs, hidden }) => {
  if (!hidden) (covered[partId] ??= []).push({ fromMs, toMs })
}
