// What answering a question does to playback: its result, the way back to its evidence, and the time that runs out on it.
import { countdownOf, momentOf } from './asking.ts'
import { moveTo, withOverlays } from './moving.ts'
import type { Moment, QuestionMoment, Schedule } from './schedule.ts'
import type { Advanced, AnswerResult, PlaybackState } from './state.ts'

/** Whether the learner may go on from this question now. */
export function isReleasable(moment: Moment, result: AnswerResult | undefined): boolean {
  // A fork is left by taking one of its ways.
  if (moment.kind === 'fork') return false
  if (moment.hold === 'answered') return result !== undefined
  if (moment.hold === 'right') return result !== undefined && (result.right || result.final)
  return true
}

export function onAnswered(
  schedule: Schedule,
  state: PlaybackState,
  cueId: string,
  result: AnswerResult,
): Advanced {
  const moment = momentOf(schedule, cueId)
  if (!moment) return unchanged(state)
  if (moment.kind === 'fork') return unchanged(state)
  const isLate = state.timeUp[cueId] === true
  const counted = { ...result, final: result.final || isLate }
  const next = { ...state, results: { ...state.results, [cueId]: counted } }
  const isWrong = !result.right && !result.pending
  const sendBack = moment.sendBack && isWrong && !isLate && moment.evidence !== null
  const heldHere = state.mode.kind === 'held' && state.mode.cueId === cueId
  return sendBack && heldHere ? review(schedule, next, moment) : withOverlays(schedule, next, [])
}

export function onRewatch(schedule: Schedule, state: PlaybackState, cueId: string): Advanced {
  const moment = momentOf(schedule, cueId)
  const heldHere = state.mode.kind === 'held' && state.mode.cueId === cueId
  return moment?.kind === 'question' && moment.evidence && heldHere
    ? review(schedule, state, moment)
    : unchanged(state)
}

/** Plays a held question's evidence again; the question stays on screen. */
function review(schedule: Schedule, state: PlaybackState, moment: QuestionMoment): Advanced {
  const { fromMs, toMs } = moment.evidence!
  const moved = moveTo(schedule, state, fromMs)
  const mode = { kind: 'reviewing', cueId: moment.cueId, toMs } as const
  return {
    state: { ...moved.state, mode, playing: true },
    commands: [{ kind: 'seek', ms: fromMs }, ...moved.commands, { kind: 'play' }],
  }
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
  const right = state.results[cueId]?.right ?? false
  const results = { ...state.results, [cueId]: { right, final: true } }
  const timeUp = { ...state.timeUp, [cueId]: true as const }
  return withOverlays(schedule, { ...counted, results, timeUp }, [])
}

const unchanged = (state: PlaybackState): Advanced => ({ state, commands: [] })
