// A way was taken at a fork, picked by the learner or by the fork itself; or a route from one part to another.
import { z } from 'zod'
import { clockSchema, idSchema, made } from '../../fields/index.ts'
import type { Lesson } from '../../lesson/index.ts'
import type { Advance, RecordKind } from '../base.ts'

export const choiceRecordSchema = /* @__PURE__ */ made(() =>
  z.strictObject({
    kind: z.literal('choice'),
    id: idSchema,
    cueId: idSchema,
    choiceId: idSchema,
    at: clockSchema,
  }),
)
export type ChoiceRecord = z.infer<typeof choiceRecordSchema>

/** Whether there is such a way: of a fork, or of the routes that leave a part. */
function isWay({ cues, routes = {} }: Lesson, { cueId, choiceId }: ChoiceRecord): boolean {
  const cue = Object.hasOwn(cues, cueId) ? cues[cueId]! : null
  if (cue?.kind === 'fork' && Object.hasOwn(cue.choices, choiceId)) return true
  return Object.hasOwn(routes, choiceId) && routes[choiceId]!.fromId === cueId
}

export const choice: RecordKind<ChoiceRecord> = {
  timesIn: ({ at }) => [at],
  faultIn: (lesson, record) => (isWay(lesson, record) ? null : 'unknownChoice'),
  report({ choices }, { id, cueId, choiceId, at }, heard) {
    choices.push({ id, cueId, choiceId, at: heard(at).toISOString() })
  },
}

export const advanceChoice: Advance<ChoiceRecord> = ({ chosen }, { cueId, choiceId }) => {
  chosen[cueId] = choiceId
}
