// What answering a question does to playback: its result, the way back to its evidence, and the time that runs out on it.
import { countdownOf, momentOf } from './asking.ts'
import { hold, same } from './going.ts'
import { arriveAt, moveTo, withOverlays } from './moving.ts'
import type { Moment, QuestionMoment, Schedule } from './schedule.ts'
import { closedResult, type Advanced, type AnswerResult, type Back } from './state.ts'
import type { PlaybackCommand, PlaybackState } from './state.ts'

/** Whether the learner may go on from this question now. */
export function isReleasable(moment: Moment, result: AnswerResult | undefined): boolean {
  // A fork is left by taking one of its ways.
  if (moment.kind === 'fork') return false
  if (moment.hold === 'answered') return result !== undefined
  if (moment.hold === 'right')
    return result !== undefined && (result.right || result.final || result.free === true)
  return true
}

export function onAnswered(
  schedule: Schedule,
  state: PlaybackState,
  cueId: string,
  result: AnswerResult,
): Advanced {
  const moment = momentOf(schedule, cueId)
  if (moment?.kind !== 'question') return same(state)
  const isLate = state.timeUp[cueId] === true
  const counted = { ...result, final: result.final || isLate }
  const next = { ...state, results: { ...state.results, [cueId]: counted } }
  const isWrong = !result.right && !result.pending
  const sendBack = moment.sendBack && isWrong && !isLate && moment.evidence !== null
  const heldHere = state.mode.kind === 'held' && state.mode.cueId === cueId
  return sendBack && heldHere
    ? review(schedule, next, moment, { to: 'hold' })
    : withOverlays(schedule, next, [])
}

/** Plays the evidence again: of the question that holds, or of one that is open beside the film. */
export function onRewatch(schedule: Schedule, state: PlaybackState, cueId: string): Advanced {
  const moment = momentOf(schedule, cueId)
  if (moment?.kind !== 'question' || !moment.evidence) return same(state)
  const { mode } = state
  if (mode.kind === 'held')
    return mode.cueId === cueId ? review(schedule, state, moment, { to: 'hold' }) : same(state)
  if (mode.kind === 'reviewing' || state.beside[0] !== cueId) return same(state)
  return review(schedule, state, moment, { to: mode.kind, atMs: Math.max(0, state.mediaMs) })
}

/** The question stays on screen meanwhile. */
function review(
  schedule: Schedule,
  state: PlaybackState,
  moment: QuestionMoment,
  back: Back,
): Advanced {
  const { fromMs, toMs } = moment.evidence!
  const moved = moveTo(schedule, state, fromMs, 'jumping')
  const mode = { kind: 'reviewing', cueId: moment.cueId, toMs, back } as const
  return {
    state: { ...moved.state, mode, playing: true },
    commands: [{ kind: 'seek', ms: fromMs }, ...moved.commands, { kind: 'play' }],
  }
}

/** The film plays while a stretch is watched again; at its end playback returns to where it was. */
export function onReviewTick(schedule: Schedule, state: PlaybackState, mediaMs: number): Advanced {
  const { mode } = state
  if (mode.kind !== 'reviewing') return same(state)
  if (mediaMs < mode.toMs) return moveTo(schedule, state, mediaMs, 'playing')
  const watched = arriveAt(state, mode.toMs, 'playing')
  const { back } = mode
  if (back.to === 'hold')
    return hold(schedule, watched, momentOf(schedule, mode.cueId)!, mediaMs, 'jumping')
  return returnTo(schedule, watched, back, [{ kind: 'pause' }, { kind: 'seek', ms: back.atMs }])
}

/** Back to where the film was beside a question. */
export function returnTo(
  schedule: Schedule,
  state: PlaybackState,
  { to, atMs }: Exclude<Back, { to: 'hold' }>,
  before: readonly PlaybackCommand[],
): Advanced {
  const stands: PlaybackState = { ...state, mode: { kind: to }, playing: false }
  return withOverlays(schedule, arriveAt(stands, atMs, 'jumping'), before)
}

/** Time runs out on a question: what was answered by then stands, no further try counts, and the learner may go on. */
export function countQuestion(
  schedule: Schedule,
  state: PlaybackState,
  { cueId }: QuestionMoment,
  passedMs: number,
): Advanced {
  const waited = { ...state.waited, [cueId]: (state.waited[cueId] ?? 0) + passedMs }
  const counted: PlaybackState = { ...state, waited }
  if (countdownOf(schedule, counted)!.leftMs > 0) return withOverlays(schedule, counted, [])
  const results = { ...state.results, [cueId]: closedResult(state.results[cueId]) }
  const timeUp = { ...state.timeUp, [cueId]: true as const }
  return withOverlays(schedule, { ...counted, results, timeUp }, [])
}
