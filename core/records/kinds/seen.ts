// Something was seen: a part was opened, or a thing in it, such as a pin.
import { z } from 'zod'
import { clockSchema, idSchema, made } from '../../fields/index.ts'
import { thingsToSee } from '../../lesson/index.ts'
import type { Advance, RecordKind } from '../base.ts'

export const seenRecordSchema = /* @__PURE__ */ made(() =>
  z.strictObject({
    kind: z.literal('seen'),
    id: idSchema,
    partId: idSchema,
    /** The part itself where it was opened. */
    thingId: idSchema,
    at: clockSchema,
  }),
)
export type SeenRecord = z.infer<typeof seenRecordSchema>

export const seen: RecordKind<SeenRecord> = {
  timesIn: ({ at }) => [at],
  faultIn(lesson, { partId, thingId }) {
    const part = Object.hasOwn(lesson.parts, partId) ? lesson.parts[partId]! : null
    if (!part) return 'unknownPart'
    return thingId === partId || thingsToSee(part).includes(thingId) ? null : 'unknownThing'
  },
  report(report, { partId, thingId, at }, heard) {
    report.seen.push({ partId, thingId, at: heard(at) })
  },
}

export const advanceSeen: Advance<SeenRecord> = (progress, { partId, thingId }) => {
  const known = (progress.seen[partId] ??= [])
  if (!known.includes(thingId)) known.push(thingId)
}
