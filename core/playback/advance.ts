// The playback machine: (schedule, state, event) → (state, commands). Pure: no video, no clock, no screen.
// Ordinary progress (tick) and jumps (seeked) are separate; every rule about what may be passed stands here once.
import { assertNever } from '../fields/index.ts'
import { countQuestion, isReleasable, onAnswered, onRewatch } from './answering.ts'
import { moveTo, withOverlays } from './moving.ts'
import {
  countdownOf,
  isDealtWith,
  isUndecided,
  momentOf,
  seekRange,
  wayByItself,
} from './asking.ts'
import { isRequired, type ForkMoment, type Moment, type Schedule, type Way } from './schedule.ts'
import type { Advanced, PlaybackCommand, PlaybackEvent, PlaybackState } from './state.ts'

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
    case 'chose':
      return onChose(schedule, state, event.cueId, event.choiceId)
    case 'decided':
      return onDecided(schedule, state, event.cueId, event.open)
    case 'clock':
      return onClock(schedule, state, event.ms)
    case 'known':
      return same({ ...state, facts: event.facts })
    case 'opened':
      return onOpened(schedule, state, event.cueId)
    default:
      return assertNever(event)
  }
}

const same = (state: PlaybackState): Advanced => ({ state, commands: [] })

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
function cross(
  schedule: Schedule,
  state: PlaybackState,
  fromMs: number,
  toMs: number,
  depth = 0,
): Advanced {
  const passed = schedule.moments.filter((m) => m.atMs > fromMs && m.atMs <= toMs)
  return meet(schedule, state, passed, toMs, depth)
}

/** Meets moments in their order: those beside the film open, the first hold stops playback. */
function meet(
  schedule: Schedule,
  state: PlaybackState,
  moments: readonly Moment[],
  toMs: number,
  depth = 0,
): Advanced {
  let current = state
  const commands: PlaybackCommand[] = []
  for (const moment of moments) {
    if (moment.kind === 'fork' && moment.decides && !isUndecided(moment, current)) {
      const way = wayByItself(moment, current)
      if (!way) continue
      const taken = take(schedule, current, moment, way, depth)
      commands.push(...taken.commands)
      if (way.target.to !== 'on') return { state: taken.state, commands }
      current = taken.state
      continue
    }
    if (moment.kind === 'question' && state.released[moment.cueId] && !moment.again) continue
    if (moment.kind === 'fork' || moment.hold !== 'none') {
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
  const beside = state.beside.filter((other) => other !== moment.cueId)
  const held: PlaybackState = { ...moved.state, mode, beside, playing: false, waitedMs: 0 }
  return withOverlays(schedule, held, commands)
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

function onSeeked(schedule: Schedule, state: PlaybackState, wantedMs: number): Advanced {
  const range = seekRange(schedule, state)
  // Where no jump is allowed, one that is tried must not break off a hold or a review either.
  if (!range) {
    const here = Math.max(0, state.mediaMs)
    return { state, commands: wantedMs === here ? [] : [{ kind: 'seek', ms: here }] }
  }
  const target = Math.min(Math.max(range.fromMs, wantedMs), range.toMs)
  const barrier = schedule.moments.find(
    (m) => m.atMs <= target && isRequired(m) && !isDealtWith(schedule, state, m),
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
  // Held, or led elsewhere by a fork at the very end.
  if (met.state.mode.kind !== 'free' || met.state.mediaMs < end) return met
  return finish(met)
}

function finish({ state, commands }: Advanced): Advanced {
  const ended: PlaybackState = { ...state, mode: { kind: 'ended' }, playing: false, finished: true }
  return { state: ended, commands: state.finished ? commands : [...commands, { kind: 'finish' }] }
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

/** Forks that decide by themselves may lead to each other; after so many at one stroke the film just goes on. */
const MOST_TURNS = 12

function onChose(
  schedule: Schedule,
  state: PlaybackState,
  cueId: string,
  choiceId: string,
): Advanced {
  const fork = momentOf(schedule, cueId)
  const heldHere = state.mode.kind === 'held' && state.mode.cueId === cueId
  if (fork?.kind !== 'fork' || !heldHere) return same(state)
  const way = fork.ways.find(({ id }) => id === choiceId)
  return way ? take(schedule, state, fork, way, 0) : same(state)
}

/** Time goes by for whoever is asked something that has a countdown. */
function onClock(schedule: Schedule, state: PlaybackState, ms: number): Advanced {
  const running = countdownOf(schedule, state)
  if (!running) return same(state)
  const moment = momentOf(schedule, running.cueId)!
  const passedMs = Math.max(0, ms)
  return moment.kind === 'fork'
    ? countFork(schedule, state, moment, passedMs)
    : countQuestion(schedule, state, moment, passedMs)
}

/** Time runs out on whoever does not choose: the default is taken, or the film goes straight on. */
function countFork(
  schedule: Schedule,
  state: PlaybackState,
  fork: ForkMoment,
  passedMs: number,
): Advanced {
  const waited: PlaybackState = { ...state, waitedMs: state.waitedMs + passedMs }
  if (countdownOf(schedule, waited)!.leftMs > 0) return withOverlays(schedule, waited, [])
  return takeOrGoOn(
    schedule,
    waited,
    fork,
    fork.ways.find(({ id }) => id === fork.defaultChoice),
  )
}

/** What the server says of a fork that holds the film because nobody else knows the way. */
function onDecided(
  schedule: Schedule,
  state: PlaybackState,
  cueId: string,
  open: readonly string[],
): Advanced {
  const fork = momentOf(schedule, cueId)
  const heldHere = state.mode.kind === 'held' && state.mode.cueId === cueId
  if (fork?.kind !== 'fork' || !fork.decides || !heldHere) return same(state)
  const isOpen = ({ id }: Way) => open.includes(id)
  const way = fork.ways.find(isOpen) ?? fork.ways.find(({ id }) => id === fork.defaultChoice)
  return takeOrGoOn(schedule, state, fork, way)
}

function takeOrGoOn(
  schedule: Schedule,
  state: PlaybackState,
  fork: ForkMoment,
  way: Way | undefined,
): Advanced {
  if (way) return take(schedule, state, fork, way, 0)
  // Nothing was chosen, but the fork lies behind the learner: no later jump is pulled back to it.
  const released = { ...state.released, [fork.cueId]: true as const }
  const freed: PlaybackState = { ...state, mode: { kind: 'free' }, waitedMs: 0, released }
  return goOn(schedule, freed, fork, [hidden(fork)], false)
}

const hidden = ({ cueId }: Moment): PlaybackCommand => ({ kind: 'hide', cueId })

/** Takes a way: on, to another time, to another part, or to the end. */
function take(
  schedule: Schedule,
  state: PlaybackState,
  fork: ForkMoment,
  way: Way,
  depth: number,
): Advanced {
  const asked = state.mode.kind === 'held'
  const commands: PlaybackCommand[] = [
    ...(asked ? [hidden(fork)] : []),
    { kind: 'took', cueId: fork.cueId, choiceId: way.id },
  ]
  const chosen = { ...state.chosen, [fork.cueId]: way.id }
  const freed: PlaybackState = { ...state, chosen, waitedMs: 0, mode: { kind: 'free' } }
  const { target } = way
  switch (target.to) {
    case 'on':
      return asked ? goOn(schedule, freed, fork, commands, false) : { state: freed, commands }
    case 'time':
      return leadTo(schedule, freed, target.atMs, commands, depth)
    case 'part':
      commands.push({ kind: 'pause' }, { kind: 'goTo', partId: target.partId })
      return { state: { ...freed, playing: false }, commands }
    case 'ending': {
      const ended = finish({ state: freed, commands: [...commands, { kind: 'pause' }] })
      return withOverlays(schedule, ended.state, ended.commands)
    }
    default:
      return assertNever(target)
  }
}

/** Goes on playing at `atMs`; what lies exactly there is met. Nothing in between counts as watched or passed over. */
function leadTo(
  schedule: Schedule,
  state: PlaybackState,
  atMs: number,
  before: PlaybackCommand[],
  depth: number,
): Advanced {
  const { furthestMs } = state
  const there: PlaybackState = { ...state, mediaMs: atMs - 1 }
  const met =
    depth < MOST_TURNS
      ? cross(schedule, there, atMs - 1, atMs, depth + 1)
      : moveTo(schedule, there, atMs)
  // Where the seek rule bounds jumps by what was watched, the way a fork led is open as well.
  const reached = Math.max(furthestMs, schedule.seekRule === 'backOnly' ? atMs : 0)
  const next = { ...met.state, furthestMs: reached }
  const commands = [...before, { kind: 'seek', ms: atMs } as const, ...met.commands]
  if (next.mode.kind !== 'free') return { state: next, commands }
  if (atMs >= schedule.durationMs) return finish({ state: next, commands })
  return { state: { ...next, playing: true }, commands: [...commands, { kind: 'play' }] }
}

/** Opens a question beside the film before playback has come to it. */
function onOpened(schedule: Schedule, state: PlaybackState, cueId: string): Advanced {
  const moment = momentOf(schedule, cueId)
  const isOpen = state.beside.includes(cueId) || state.mode.kind === 'held'
  if (moment?.kind !== 'question' || isOpen) return same(state)
  const beside = [...state.beside, cueId]
  return { state: { ...state, beside }, commands: [{ kind: 'show', cueId }] }
}
