// Where the learner is, and which questions (by cue or item) lie behind them; the newest by `at` wins.
import { z } from 'zod'
import { clockSchema, idSchema, made, mediaMsSchema } from '../../fields/index.ts'
import { askingOf } from '../../lesson/index.ts'
import type { Advance, RecordKind } from '../base.ts'
import { END_SLACK_MS, lengthOf } from '../places.ts'

export const placeRecordSchema = /* @__PURE__ */ made(() =>
  z.strictObject({
    kind: z.literal('place'),
    id: idSchema,
    partId: idSchema,
    atMs: mediaMsSchema,
    released: z.array(idSchema).max(2000),
    at: clockSchema,
  }),
)
export type PlaceRecord = z.infer<typeof placeRecordSchema>

export const place: RecordKind<PlaceRecord> = {
  timesIn: ({ at }) => [at],
  faultIn(lesson, { partId, atMs }) {
    const durationMs = lengthOf(lesson, partId)
    if (durationMs === null) return 'unknownPart'
    return atMs > durationMs + END_SLACK_MS ? 'beyondEnd' : null
  },
  report(report, { partId, atMs, released, at: deviceTime }, heard, lesson) {
    for (const id of released)
      if (Object.hasOwn(lesson.cues, id) || askingOf(lesson, id)) report.released.push(id)
    const at = heard(deviceTime)
    if (!report.place || report.place.at <= at) report.place = { partId, atMs, at }
  },
}

export const advancePlace: Advance<PlaceRecord> = (progress, { partId, atMs, released }) => {
  Object.assign(progress, { partId, atMs })
  for (const id of released) if (!progress.released.includes(id)) progress.released.push(id)
}
