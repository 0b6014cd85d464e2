// Questions about a state that change nothing: which moment, which way, what stands in the way of a jump.
import { isHidden, isMet } from '../routes/index.ts'
import type { ForkMoment, Moment, Schedule, Way } from './schedule.ts'
import type { PlaybackState } from './state.ts'

export const momentOf = (schedule: Schedule, cueId: string) =>
  schedule.moments.find((moment) => moment.cueId === cueId)

/** The countdown that runs, and the share of it that is gone. */
export function countdownOf(
  schedule: Schedule,
  state: PlaybackState,
): { cueId: string; share: number; leftMs: number } | null {
  const { mode } = state
  const moment = mode.kind === 'held' ? momentOf(schedule, mode.cueId) : undefined
  if (!moment || moment.countdownMs === null) return null
  const { cueId, countdownMs } = moment
  // Once no further answer counts, nothing runs out any more.
  if (moment.kind === 'question' && state.results[cueId]?.final) return null
  const waitedMs = moment.kind === 'fork' ? state.waitedMs : (state.waited[cueId] ?? 0)
  const share = Math.min(1, waitedMs / countdownMs)
  return { cueId, share, leftMs: Math.max(0, countdownMs - waitedMs) }
}

/** The stretch that the seek rule lets a learner jump within, in ms; null where they may not jump at all. */
export function seekRange(
  schedule: Schedule,
  state: PlaybackState,
): { fromMs: number; toMs: number } | null {
  const { durationMs, seekRule } = schedule
  // The first jump takes up where an earlier sitting left off; no rule stands against that.
  if (state.mediaMs < 0) return { fromMs: 0, toMs: durationMs }
  switch (seekRule) {
    case 'free':
      return { fromMs: 0, toMs: durationMs }
    case 'backOnly':
      return { fromMs: 0, toMs: Math.min(durationMs, Math.max(state.furthestMs, state.mediaMs)) }
    case 'none':
      // Whoever has come to the end may begin again.
      return state.mode.kind === 'ended' ? { fromMs: 0, toMs: 0 } : null
  }
}

/** Whether a required moment stands in nobody's way any more: released, decided, or led round by a fork. */
export function isDealtWith(schedule: Schedule, state: PlaybackState, moment: Moment): boolean {
  if (state.released[moment.cueId]) return true
  if (moment.kind === 'fork' && (moment.decides || state.chosen[moment.cueId] !== undefined))
    return true
  return schedule.moments.some((fork) => {
    if (fork.kind !== 'fork') return false
    const way = fork.ways.find(({ id }) => id === state.chosen[fork.cueId])
    return way?.target.to === 'time' && fork.atMs <= moment.atMs && moment.atMs < way.target.atMs
  })
}

/** The way a fork takes without asking; null where none is open. */
export function wayByItself(fork: ForkMoment, state: PlaybackState): Way | null {
  const open = fork.ways.find(({ condition }) => isMet(condition, state.facts, state.results))
  return open ?? fork.ways.find(({ id }) => id === fork.defaultChoice) ?? null
}

/** Whether a fork that asks nobody cannot be decided here: the server has to be asked, and the film waits for it. */
export const isUndecided = (fork: ForkMoment, { facts }: PlaybackState): boolean =>
  fork.decides && fork.ways.some(({ condition }) => isHidden(condition, facts))
