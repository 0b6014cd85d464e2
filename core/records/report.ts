// What a batch of records says of where a learner is and what they did, answers and watching aside.
import type { NotePlace } from '../notes/index.ts'

/** A way that was taken, and when. */
export interface ChoiceReported {
  id: string
  cueId: string
  choiceId: string
  at: string
}

/** Something that was seen, and when. */
export interface SeenReported {
  partId: string
  thingId: string
  at: Date
}

/** A note as it is after its latest change, or that it is gone. */
export interface NoteReported {
  noteId: string
  /** The record that says so. */
  id: string
  partId: string
  place: NotePlace
  words: string
  isGone: boolean
  at: string
}

/** All its times are those of the server's clock. */
export interface Report {
  place: { partId: string; atMs: number; at: Date } | null
  released: string[]
  choices: ChoiceReported[]
  /** When parts were said to be finished. */
  finished: Map<string, Date>
  seen: SeenReported[]
  notes: NoteReported[]
}

export const emptyReport = (): Report => ({
  place: null,
  released: [],
  choices: [],
  finished: new Map(),
  seen: [],
  notes: [],
})
