// What a question that asks for a recording can do.
import type { QuestionKind, QuestionMaking } from '../kind.ts'
import { waitingForPerson } from '../mark.ts'
import type { RecordingAnswer, RecordingQuestion } from './schema.ts'

/** The longest recording, as a camera's picture takes it at most, in bytes. */
const LARGEST_BYTES = 300_000_000
/** A recorder that is told to stop writes on for a moment, in ms. */
const SLACK_MS = 3000

export const recording: QuestionKind<RecordingQuestion, RecordingAnswer> = {
  graded: true,
  byPerson: true,
  mended: false,
  mark: waitingForPerson,
  fits: ({ mostSeconds }, { durationMs }) => durationMs <= mostSeconds * 1000 + SLACK_MS,
  readable(_question, { durationMs }) {
    const seconds = Math.round(durationMs / 1000)
    return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
  },
  filesAsked: ({ of }) => ({
    sorts: [of === 'voice' ? 'sound' : 'film'],
    mostBytes: LARGEST_BYTES,
  }),
  filesOf: ({ file }) => [file.id],
  texts: () => [],
  media: () => [],
}

export const recordingMaking: QuestionMaking<RecordingQuestion, RecordingAnswer> = {
  blank: (base) => ({ ...base, tries: 1, kind: 'recording', of: 'voice', mostSeconds: 60 }),
  findWhatCannotBeAsked: () => [],
  cut: ({ rubric: _, ...question }) => question,
  draw: ({ mostSeconds }, _right, chance) => ({
    kind: 'recording',
    file: { id: 'voice', bytes: 48_000 },
    durationMs: Math.round((0.2 + 0.7 * chance.next()) * mostSeconds * 1000),
  }),
}
