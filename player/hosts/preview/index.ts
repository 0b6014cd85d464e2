// PreviewHost: shows a draft as a learner would see it, and keeps nothing.
import type { Credit } from '@fernbrake/core/contract'
import { noProgress, type ResponseRecordInput } from '@fernbrake/core/records'
import { tallyOf } from '@fernbrake/core/analysis'
import { asEdition, withoutNotes, type Lesson } from '@fernbrake/core/lesson'
import { NOTHING_JUDGED } from '@fernbrake/core/routes'
import type { Host, HostState, PlayableMedia } from '../Host.ts'
import { filesInMemory } from '../filesInMemory.ts'

export interface PreviewInput {
  lesson: Lesson
  /** Words of its language near those that it asks for, as compared. */
  words?: readonly string[]
  media: PlayableMedia[]
  credits?: readonly Credit[]
  staged?: Readonly<Record<string, string>>
  learnerName: string
  /** Where to begin, and the cues that are passed over by it. */
  partId: string
  atMs: number
  passed: readonly string[]
}

const STATE: HostState = { waiting: 0, unkept: 0, connection: 'online', refused: [] }

export function createPreviewHost({
  lesson,
  words = [],
  media,
  credits = [],
  staged = {},
  learnerName,
  partId,
  atMs,
  passed,
}: PreviewInput): Host {
  let made = 0
  const given: ResponseRecordInput[] = []
  return {
    open: () =>
      Promise.resolve({
        // What is hidden can be looked at by whoever has it open.
        lesson: withoutNotes(lesson.parts[partId]?.hidden ? lesson : asEdition(lesson, words)),
        media,
        credits,
        staged,
        learnerName,
        seed: 'preview',
        keepsDrafts: false,
        progress: { ...noProgress(), partId, atMs, released: [...passed] },
      }),
    record(record) {
      if (record.kind === 'response') given.push(record)
    },
    newId: () => `preview-${(made += 1)}`,
    state: () => STATE,
    onState: () => () => undefined,
    onLeave: () => () => undefined,
    // Everything is known here.
    onTold: () => () => undefined,
    ways: () => Promise.resolve(NOTHING_JUDGED),
    // Nobody else answers a preview.
    tally: (questionId) =>
      Promise.resolve(tallyOf(given.filter((one) => one.questionId === questionId))),
    files: filesInMemory(),
    talk: null,
    flush: () => Promise.resolve(),
    destroy: () => undefined,
  }
}
