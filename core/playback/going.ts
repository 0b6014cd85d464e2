// Going through a film: moments are met in their order; a question holds or is offered, a fork leads on or away.
import { assertNever } from '../fields/index.ts'
import { basisOf, isOpenToAnswers, isUndecided, leadsBack, leadsOn, wayByItself } from './asking.ts'
import { arriveAt, moveTo, withOverlays, type By } from './moving.ts'
import type { ForkMoment, Moment, QuestionMoment, Schedule, Way } from './schedule.ts'
import type { Advanced, PlaybackCommand, PlaybackState } from './state.ts'

/** `led` once a way has led elsewhere: whoever was going on must not go on from here. */
export interface Gone extends Advanced {
  led?: true
}

export const same = (state: PlaybackState): Gone => ({ state, commands: [] })
export const hidden = ({ cueId }: Moment): PlaybackCommand => ({ kind: 'hide', cueId })

/** Goes from just after `fromMs` to `toMs` and stops at the first hold on the way. */
export function cross(
  schedule: Schedule,
  state: PlaybackState,
  fromMs: number,
  toMs: number,
  by: By,
): Gone {
  const passed = schedule.moments.filter((m) => m.atMs > fromMs && m.atMs <= toMs)
  return meet(schedule, state, passed, toMs, by)
}

/** Meets moments in their order: what may stand beside the film opens there, the first hold stops playback. */
function meet(
  schedule: Schedule,
  state: PlaybackState,
  moments: readonly Moment[],
  toMs: number,
  by: By,
): Gone {
  let current = state
  const commands: PlaybackCommand[] = []
  for (const moment of moments) {
    if (moment.kind === 'fork' && moment.decides && !isUndecided(moment, current)) {
      const way = wayByItself(moment, current)
      const there = arriveAt(current, moment.atMs, by)
      const taken = way ? take(schedule, there, moment, way) : same(passed(there, moment))
      commands.push(...taken.commands)
      if (taken.led) return { ...taken, commands }
      current = taken.state
      continue
    }
    const does = moment.kind === 'fork' ? 'hold' : whatItDoes(moment, current)
    if (does === 'hold') {
      const held = hold(schedule, current, moment, toMs, by)
      return { state: held.state, commands: [...commands, ...held.commands] }
    }
    if (does === 'nothing' || current.beside.includes(moment.cueId)) continue
    current = { ...current, beside: [...current.beside, moment.cueId] }
    commands.push({ kind: 'show', cueId: moment.cueId })
  }
  const moved = moveTo(schedule, current, toMs, by)
  return { state: moved.state, commands: [...commands, ...moved.commands] }
}

/** What a question that is come by does. One that was passed over holds nobody again, and can still be answered. */
function whatItDoes(moment: QuestionMoment, state: PlaybackState): 'hold' | 'offer' | 'nothing' {
  const asks = moment.again || !state.released[moment.cueId]
  if (asks) return moment.hold === 'none' ? 'offer' : 'hold'
  // One with a time of its own is opened by the learner alone: else playing over it would let the time run.
  return isOpenToAnswers(state, moment.cueId) && moment.countdownMs === null ? 'offer' : 'nothing'
}

/** A fork that no way was open at lies behind the learner all the same: no later jump is pulled back to it. */
export const passed = (state: PlaybackState, { cueId }: ForkMoment): PlaybackState => ({
  ...state,
  released: { ...state.released, [cueId]: true },
})

/** Stops at a moment; `mediaMs` is where the film stands just now. */
export function hold(
  schedule: Schedule,
  state: PlaybackState,
  moment: Moment,
  mediaMs: number,
  by: By,
): Advanced {
  const returning = state.mode.kind === 'reviewing'
  const moved = moveTo(schedule, state, moment.atMs, by)
  const commands: PlaybackCommand[] = [{ kind: 'pause' }]
  if (mediaMs !== moment.atMs) commands.push({ kind: 'seek', ms: moment.atMs })
  commands.push(...moved.commands)
  if (!returning) commands.push({ kind: 'show', cueId: moment.cueId })
  const mode = { kind: 'held', cueId: moment.cueId } as const
  const beside = state.beside.filter((other) => other !== moment.cueId)
  const held: PlaybackState = { ...moved.state, mode, beside, playing: false, waitedMs: 0 }
  return withOverlays(schedule, held, commands)
}

/** After a hold: what lies at the same time comes next, then playback goes on. */
export function goOn(
  schedule: Schedule,
  state: PlaybackState,
  from: Moment,
  before: readonly PlaybackCommand[],
): Gone {
  const index = schedule.moments.indexOf(from)
  const rest = schedule.moments.slice(index + 1).filter((m) => m.atMs === from.atMs)
  const met = meet(schedule, state, rest, from.atMs, 'jumping')
  return playOn(schedule, { ...met, commands: [...before, ...met.commands] })
}

/** Plays on from where it was come to, unless something holds or led elsewhere; at the film's end it is over. */
function playOn(schedule: Schedule, gone: Gone): Gone {
  if (gone.led || gone.state.mode.kind === 'held') return gone
  if (gone.state.mediaMs >= schedule.durationMs) return finish(gone)
  const state: PlaybackState = { ...gone.state, playing: true }
  return { state, commands: [...gone.commands, { kind: 'play' }] }
}

export function finish({ state, commands }: Advanced): Advanced {
  const ended: PlaybackState = { ...state, mode: { kind: 'ended' }, playing: false, finished: true }
  return { state: ended, commands: state.finished ? commands : [...commands, { kind: 'finish' }] }
}

/** Takes a way: on, to another time, to another part, or to the end. */
export function take(schedule: Schedule, state: PlaybackState, fork: ForkMoment, way: Way): Gone {
  const asked = state.mode.kind === 'held'
  const commands: PlaybackCommand[] = [
    ...(asked ? [hidden(fork)] : []),
    { kind: 'took', cueId: fork.cueId, choiceId: way.id },
  ]
  const chosen = { ...state.chosen, [fork.cueId]: way.id }
  const freed: PlaybackState = { ...state, chosen, waitedMs: 0, mode: { kind: 'free' } }
  const { target } = way
  if (target.to === 'on' || leadsOn(fork, way))
    return asked ? goOn(schedule, freed, fork, commands) : { state: freed, commands }
  switch (target.to) {
    case 'time': {
      const isBack = fork.decides && leadsBack(fork, way)
      const from = isBack ? askingAgain(schedule, freed, fork, target.atMs) : freed
      return leadTo(schedule, from, target.atMs, commands)
    }
    case 'part': {
      const stands = withOverlays(schedule, { ...freed, playing: false }, commands)
      const leave: PlaybackCommand[] = [{ kind: 'pause' }, { kind: 'goTo', partId: target.partId }]
      return { state: stands.state, commands: [...stands.commands, ...leave], led: true }
    }
    case 'ending': {
      const ended = finish({ state: freed, commands: [...commands, { kind: 'pause' }] })
      return { ...withOverlays(schedule, ended.state, ended.commands), led: true }
    }
    default:
      return assertNever(target)
  }
}

/** Led back by a condition, a learner is asked again what they can still answer; and the fork notes what it went by. */
function askingAgain(
  { moments }: Schedule,
  state: PlaybackState,
  fork: ForkMoment,
  toMs: number,
): PlaybackState {
  const released = { ...state.released }
  for (const { kind, cueId, atMs } of moments)
    if (kind === 'question' && atMs >= toMs && atMs <= fork.atMs && isOpenToAnswers(state, cueId))
      delete released[cueId]
  const ledBack = { ...state.ledBack, [fork.cueId]: basisOf(fork, state) }
  return { ...state, released, ledBack }
}

/** Goes on playing at `atMs`; what lies exactly there is met. Nothing in between counts as watched or passed over. */
function leadTo(
  schedule: Schedule,
  state: PlaybackState,
  atMs: number,
  before: readonly PlaybackCommand[],
): Gone {
  const openMs = Math.max(state.openMs, atMs)
  const there: PlaybackState = { ...state, openMs, mediaMs: atMs - 1 }
  const met = cross(schedule, there, atMs - 1, atMs, 'jumping')
  const commands = [...before, { kind: 'seek', ms: atMs } as const, ...met.commands]
  return { ...playOn(schedule, { ...met, commands }), led: true }
}
