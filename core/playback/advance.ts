// The playback machine: (schedule, state, event) → (state, commands). Pure: no video, no clock, no screen.
// Ordinary progress (tick) and jumps (seeked) are separate; every rule about what may be passed stands here once.
import { assertNever } from '../fields/index.ts'
import { isRequired, overlaysAt, type Moment, type Schedule } from './schedule.ts'
import type {
  Advanced,
  AnswerResult,
  PlaybackCommand,
  PlaybackEvent,
  PlaybackState,
} from './state.ts'

/**
 * Media clocks are read a little off: a held film may stand this far from its cue, and time may run back this far
 * without it being a jump. Three frames at 25 a second.
 */
export const CLOCK_JITTER_MS = 120

/** Takes one event in; the same event twice in a row changes nothing more. */
export function advance(schedule: Schedule, state: PlaybackState, event: PlaybackEvent): Advanced {
  switch (event.kind) {
    case 'tick':
      return onTick(schedule, state, event.mediaMs)
    case 'seeked':
      return onSeeked(schedule, state, event.toMs)
    case 'played':
      return onPlayed(schedule, state)
    case 'paused':
      return same({ ...state, playing: false })
    case 'ended':
      return onEnded(schedule, state)
    case 'answered':
      return onAnswered(schedule, state, event.cueId, event.result)
    case 'dismissed':
      return onDismissed(schedule, state, event.cueId)
    case 'rewatch':
      return onRewatch(schedule, state, event.cueId)
    default:
      return assertNever(event)
  }
}

/** Whether the learner may go on from this question now. */
export function isReleasable(moment: Moment, result: AnswerResult | undefined): boolean {
  if (moment.hold === 'answered') return result !== undefined
  if (moment.hold === 'right') return result !== undefined && (result.right || result.final)
  return true
}

const same = (state: PlaybackState): Advanced => ({ state, commands: [] })

const momentOf = (schedule: Schedule, cueId: string) =>
  schedule.moments.find((moment) => moment.cueId === cueId)

function onTick(schedule: Schedule, state: PlaybackState, mediaMs: number): Advanced {
  const { mode } = state
  switch (mode.kind) {
    case 'held':
      return keepHeld(schedule, state, mode.cueId, mediaMs)
    case 'reviewing':
      return mediaMs >= mode.toMs
        ? hold(schedule, state, momentOf(schedule, mode.cueId)!, mediaMs)
        : moveTo(schedule, state, mediaMs)
    case 'ended':
      return same(state)
    case 'free':
      // Time that runs backwards without a jump being told is a jump backwards: nothing is crossed.
      if (mediaMs <= state.mediaMs)
        return state.mediaMs - mediaMs <= CLOCK_JITTER_MS
          ? same(state)
          : moveTo(schedule, state, mediaMs)
      return cross(schedule, state, state.mediaMs, mediaMs)
  }
}

/** Media that drifts on while held is set back. */
function keepHeld(
  schedule: Schedule,
  state: PlaybackState,
  cueId: string,
  mediaMs: number,
): Advanced {
  const moment = momentOf(schedule, cueId)!
  if (Math.abs(mediaMs - moment.atMs) <= CLOCK_JITTER_MS) return same(state)
  return { state, commands: [{ kind: 'pause' }, { kind: 'seek', ms: moment.atMs }] }
}

/** Plays from just after `fromMs` to `toMs` and stops at the first hold on the way. */
function cross(schedule: Schedule, state: PlaybackState, fromMs: number, toMs: number): Advanced {
  const passed = schedule.moments.filter((m) => m.atMs > fromMs && m.atMs <= toMs)
  return meet(schedule, state, passed, toMs)
}

/** Meets moments in their order: those beside the film open, the first hold stops playback. */
function meet(
  schedule: Schedule,
  state: PlaybackState,
  moments: readonly Moment[],
  toMs: number,
): Advanced {
  let current = state
  const commands: PlaybackCommand[] = []
  for (const moment of moments) {
    if (state.released[moment.cueId] && !moment.again) continue
    if (moment.hold !== 'none') {
      const held = hold(schedule, current, moment, toMs)
      return { state: held.state, commands: [...commands, ...held.commands] }
    }
    if (current.beside.includes(moment.cueId)) continue
    current = { ...current, beside: [...current.beside, moment.cueId] }
    commands.push({ kind: 'show', cueId: moment.cueId })
  }
  const moved = moveTo(schedule, current, toMs)
  return { state: moved.state, commands: [...commands, ...moved.commands] }
}

function hold(schedule: Schedule, state: PlaybackState, moment: Moment, mediaMs: number): Advanced {
  const returning = state.mode.kind === 'reviewing'
  const moved = moveTo(schedule, state, moment.atMs)
  const commands: PlaybackCommand[] = [{ kind: 'pause' }]
  if (mediaMs !== moment.atMs) commands.push({ kind: 'seek', ms: moment.atMs })
  commands.push(...moved.commands)
  if (!returning) commands.push({ kind: 'show', cueId: moment.cueId })
  const mode = { kind: 'held', cueId: moment.cueId } as const
  return { state: { ...moved.state, mode, playing: false }, commands }
}

/** Sets the media time and brings the overlays up to it. */
function moveTo(schedule: Schedule, state: PlaybackState, mediaMs: number): Advanced {
  const overlays = overlaysAt(schedule, mediaMs)
  const commands: PlaybackCommand[] = [
    ...state.overlays
      .filter((cueId) => !overlays.includes(cueId))
      .map((cueId) => ({ kind: 'hide', cueId }) as const),
    ...overlays
      .filter((cueId) => !state.overlays.includes(cueId))
      .map((cueId) => ({ kind: 'show', cueId }) as const),
  ]
  const furthestMs = Math.max(state.furthestMs, mediaMs)
  return { state: { ...state, mediaMs, furthestMs, overlays }, commands }
}

function onPlayed(schedule: Schedule, state: PlaybackState): Advanced {
  switch (state.mode.kind) {
    case 'held':
      return { state, commands: [{ kind: 'pause' }] }
    case 'ended':
      return same({ ...state, mode: { kind: 'free' }, playing: true, mediaMs: schedule.durationMs })
    case 'free':
    case 'reviewing':
      return same({ ...state, playing: true })
  }
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

function onSeeked(schedule: Schedule, state: PlaybackState, wantedMs: number): Advanced {
  const range = seekRange(schedule, state)
  // Where no jump is allowed, one that is tried must not break off a hold or a review either.
  if (!range) {
    const here = Math.max(0, state.mediaMs)
    return { state, commands: wantedMs === here ? [] : [{ kind: 'seek', ms: here }] }
  }
  const target = Math.min(Math.max(range.fromMs, wantedMs), range.toMs)
  const barrier = schedule.moments.find(
    (m) => m.atMs <= target && isRequired(m) && !state.released[m.cueId],
  )
  return land(schedule, state, barrier ? barrier.atMs : target, wantedMs)
}

/** Lands a jump: what stood open is left, and what lies exactly at the target is met. */
function land(schedule: Schedule, state: PlaybackState, atMs: number, wantedMs: number): Advanced {
  const { mode } = state
  const left = mode.kind === 'held' || mode.kind === 'reviewing' ? mode.cueId : null
  if (mode.kind === 'held' && momentOf(schedule, mode.cueId)!.atMs === atMs)
    return { state, commands: wantedMs === atMs ? [] : [{ kind: 'seek', ms: atMs }] }
  const freed: PlaybackState = { ...state, mode: { kind: 'free' }, mediaMs: atMs - 1 }
  const met = cross(schedule, freed, atMs - 1, atMs)
  const commands: PlaybackCommand[] = []
  if (left !== null) commands.push({ kind: 'hide', cueId: left })
  if (wantedMs !== atMs) commands.push({ kind: 'seek', ms: atMs })
  // A jump is not watching: the furthest point is moved by playing alone.
  const furthestMs = state.furthestMs
  return { state: { ...met.state, furthestMs }, commands: [...commands, ...met.commands] }
}

/** The film ran out: whatever lies at its end is met first, then the part is finished. */
function onEnded(schedule: Schedule, state: PlaybackState): Advanced {
  if (state.mode.kind === 'held' || state.mode.kind === 'ended') return same(state)
  const end = schedule.durationMs
  const met =
    state.mode.kind === 'reviewing' || state.mediaMs < end
      ? onTick(schedule, state, end)
      : same(state)
  if (met.state.mode.kind !== 'free') return met
  return finish(met)
}

function finish({ state, commands }: Advanced): Advanced {
  const ended: PlaybackState = { ...state, mode: { kind: 'ended' }, playing: false, finished: true }
  return { state: ended, commands: state.finished ? commands : [...commands, { kind: 'finish' }] }
}

function onAnswered(
  schedule: Schedule,
  state: PlaybackState,
  cueId: string,
  result: AnswerResult,
): Advanced {
  const moment = momentOf(schedule, cueId)
  if (!moment) return same(state)
  const next = { ...state, results: { ...state.results, [cueId]: result } }
  const sendBack = moment.sendBack && !result.right && moment.evidence !== null
  const heldHere = state.mode.kind === 'held' && state.mode.cueId === cueId
  return sendBack && heldHere ? review(schedule, next, moment) : same(next)
}

function onRewatch(schedule: Schedule, state: PlaybackState, cueId: string): Advanced {
  const moment = momentOf(schedule, cueId)
  const heldHere = state.mode.kind === 'held' && state.mode.cueId === cueId
  return moment?.evidence && heldHere ? review(schedule, state, moment) : same(state)
}

/** Plays a held question's evidence again; the question stays on screen. */
function review(schedule: Schedule, state: PlaybackState, moment: Moment): Advanced {
  const { fromMs, toMs } = moment.evidence!
  const moved = moveTo(schedule, state, fromMs)
  const mode = { kind: 'reviewing', cueId: moment.cueId, toMs } as const
  return {
    state: { ...moved.state, mode, playing: true },
    commands: [{ kind: 'seek', ms: fromMs }, ...moved.commands, { kind: 'play' }],
  }
}

function onDismissed(schedule: Schedule, state: PlaybackState, cueId: string): Advanced {
  const moment = momentOf(schedule, cueId)
  if (!moment || !isReleasable(moment, state.results[cueId])) return same(state)
  const released = { ...state.released, [cueId]: true as const }
  const hide: PlaybackCommand = { kind: 'hide', cueId }
  if (state.beside.includes(cueId)) {
    const beside = state.beside.filter((other) => other !== cueId)
    return { state: { ...state, beside, released }, commands: [hide] }
  }
  const { mode } = state
  if ((mode.kind !== 'held' && mode.kind !== 'reviewing') || mode.cueId !== cueId)
    return same(state)
  const freed: PlaybackState = { ...state, mode: { kind: 'free' }, released }
  return goOn(schedule, freed, moment, [hide], mode.kind === 'reviewing')
}

/** After a hold: what lies at the same time comes next, then playback goes on. */
function goOn(
  schedule: Schedule,
  state: PlaybackState,
  from: Moment,
  before: PlaybackCommand[],
  wasReviewing: boolean,
): Advanced {
  const index = schedule.moments.indexOf(from)
  const rest = schedule.moments.slice(index + 1).filter((m) => m.atMs === from.atMs)
  const met = meet(schedule, state, rest, from.atMs)
  const back: PlaybackCommand[] = wasReviewing ? [{ kind: 'seek', ms: from.atMs }] : []
  const commands = [...before, ...back, ...met.commands]
  if (met.state.mode.kind === 'held') return { state: met.state, commands }
  if (from.atMs >= schedule.durationMs) return finish({ state: met.state, commands })
  return { state: { ...met.state, playing: true }, commands: [...commands, { kind: 'play' }] }
}
