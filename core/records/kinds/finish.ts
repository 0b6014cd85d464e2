// A part is said to be finished; whether it is, what was done in it tells (core/playback/claims.ts).
import { z } from 'zod'
import { clockSchema, idSchema, made } from '../../fields/index.ts'
import type { Advance, RecordKind } from '../base.ts'
import { partFault } from '../places.ts'

export const finishRecordSchema = /* @__PURE__ */ made(() =>
  z.strictObject({ kind: z.literal('finish'), id: idSchema, partId: idSchema, at: clockSchema }),
)
export type FinishRecord = z.infer<typeof finishRecordSchema>

export const finish: RecordKind<FinishRecord> = {
  timesIn: ({ at }) => [at],
  faultIn: partFault,
  report({ finished }, { partId, at }, heard) {
    if (!finished.has(partId)) finished.set(partId, heard(at))
  },
}

export const advanceFinish: Advance<FinishRecord> = ({ finishedParts }, { partId }) => {
  if (!finishedParts.includes(partId)) finishedParts.push(partId)
}
