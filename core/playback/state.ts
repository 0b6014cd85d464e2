// The states, events and commands of the playback machine.

import type { RouteFacts } from '../routes/index.ts'

/** What came of an answer; `final` when no further try is allowed. */
export interface AnswerResult {
  right: boolean
  final: boolean
  /** How many tries were used by then. */
  tries?: number
  /** Nobody may tell whether it was right, and so often as it was answered nobody is held for that any longer. */
  free?: true
  /** Only the server can say whether it was right, and has not yet. */
  pending?: true
}

export type Mode =
  | { kind: 'free' }
  /** Playback stands still at a question. */
  | { kind: 'held'; cueId: string }
  /** A question's evidence is being played again; at `toMs` playback returns to the question. */
  | { kind: 'reviewing'; cueId: string; toMs: number; back: Back }
  | { kind: 'ended' }

/** Where playback returns to after a stretch was played again: to the hold, or to where it was beside the question. */
export type Back = { to: 'hold' } | { to: 'free' | 'ended'; atMs: number }

export interface PlaybackState {
  mode: Mode
  playing: boolean
  /** The last media time that counts as seen; −1 before the first. After a jump, just before its target. */
  mediaMs: number
  /** The furthest point reached by playing. */
  furthestMs: number
  /** The furthest point that a way of the lesson's own led to: jumps may go there as well. */
  openMs: number
  /** Overlays on screen. */
  overlays: readonly string[]
  /** Questions open beside the running film; the first is on the sheet. */
  beside: readonly string[]
  /** What holds nobody any more. A question that was passed over can still be answered. */
  released: Readonly<Record<string, true>>
  results: Readonly<Record<string, AnswerResult>>
  finished: boolean
  /** The way taken at each fork, the last time it was met. */
  chosen: Readonly<Record<string, string>>
  /** What each fork that led back by itself went by then, see `basisOf`: the same again leads nobody back twice. */
  ledBack: Readonly<Record<string, string>>
  /** How long a fork has been waiting for a choice, in ms; 0 where none is. */
  waitedMs: number
  /** How long each question with a countdown has been waiting for its answer, in ms; leaving it does not begin anew. */
  waited: Readonly<Record<string, number>>
  /** Questions whose time has run out: what was answered by then stands. */
  timeUp: Readonly<Record<string, true>>
  facts: RouteFacts
}

export type PlaybackEvent =
  | { kind: 'tick'; mediaMs: number }
  | { kind: 'seeked'; fromMs: number; toMs: number }
  | { kind: 'played' }
  | { kind: 'paused' }
  | { kind: 'ended' }
  | { kind: 'answered'; cueId: string; result: AnswerResult }
  | { kind: 'dismissed'; cueId: string }
  | { kind: 'rewatch'; cueId: string }
  /** A way was picked at the fork that holds the film. */
  | { kind: 'chose'; cueId: string; choiceId: string }
  /** The server has said which ways are open at a fork that cannot be decided here. */
  | { kind: 'decided'; cueId: string; open: readonly string[] }
  /** So many ms of clock time went by. */
  | { kind: 'clock'; ms: number }
  /** What forks that decide by themselves go by. */
  | { kind: 'known'; facts: RouteFacts }
  /** A question is opened beside the film: from its leaf, by an overlay, or from the end. */
  | { kind: 'opened'; cueId: string }

export type PlaybackCommand =
  | { kind: 'play' }
  | { kind: 'pause' }
  | { kind: 'seek'; ms: number }
  | { kind: 'show'; cueId: string }
  | { kind: 'hide'; cueId: string }
  | { kind: 'finish' }
  /** A way was taken, by the learner or by itself. */
  | { kind: 'took'; cueId: string; choiceId: string }
  | { kind: 'goTo'; partId: string }

export interface Advanced {
  state: PlaybackState
  commands: PlaybackCommand[]
}

/** What is known of a learner when a part is opened again. */
export interface Progress {
  furthestMs?: number
  released?: readonly string[]
  results?: Readonly<Record<string, AnswerResult>>
  finished?: boolean
  chosen?: Readonly<Record<string, string>>
  waited?: Readonly<Record<string, number>>
  /** Questions whose time ran out in an earlier sitting. */
  timeUp?: readonly string[]
}

/** The state before anything has played. */
export function startPlayback(progress: Progress = {}): PlaybackState {
  const { results = {}, timeUp = [] } = progress
  const closed = timeUp.map((cueId) => [cueId, closedResult(results[cueId])] as const)
  return {
    mode: { kind: 'free' },
    playing: false,
    mediaMs: -1,
    furthestMs: progress.furthestMs ?? 0,
    openMs: 0,
    overlays: [],
    beside: [],
    released: Object.fromEntries((progress.released ?? []).map((cueId) => [cueId, true as const])),
    results: { ...results, ...Object.fromEntries(closed) },
    finished: progress.finished ?? false,
    chosen: progress.chosen ?? {},
    ledBack: {},
    waitedMs: 0,
    waited: progress.waited ?? {},
    timeUp: Object.fromEntries(timeUp.map((cueId) => [cueId, true as const])),
    facts: { score: 0, watched: {}, visited: [] },
  }
}

/** What stands once no further try counts. */
export const closedResult = (result: AnswerResult | undefined): AnswerResult => ({
  ...result,
  right: result?.right ?? false,
  final: true,
})
