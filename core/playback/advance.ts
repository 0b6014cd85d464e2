// The playback machine: (schedule, state, event) → (state, commands). Pure: no video, no clock, no screen.
// Ordinary progress (tick) and jumps (seeked) are separate; how a film is gone through stands in going.ts.
import { assertNever } from '../fields/index.ts'
import {
  countQuestion,
  isReleasable,
  onAnswered,
  onReviewTick,
  onRewatch,
  returnTo,
} from './answering.ts'
import {
  barrierBefore,
  countdownOf,
  isUndecided,
  leadsOn,
  momentOf,
  seekRange,
  wayByItself,
} from './asking.ts'
import { cross, finish, goOn, hidden, passed, same, take, type Gone } from './going.ts'
import { moveTo, withOverlays } from './moving.ts'
import type { ForkMoment, Schedule, Way } from './schedule.ts'
import type { Advanced, PlaybackCommand, PlaybackEvent, PlaybackState } from './state.ts'

/**
 * Media clocks are read a little off: a held film may stand this far from its cue, and time may run back this far
 * without it being a jump. Three frames at 25 a second.
 */
export const CLOCK_JITTER_MS = 120

/** Takes one event in; the same event twice in a row changes nothing more. */
export function advance(schedule: Schedule, state: PlaybackState, event: PlaybackEvent): Advanced {
  const { state: next, commands } = handle(schedule, state, event)
  return { state: next, commands }
}

function handle(schedule: Schedule, state: PlaybackState, event: PlaybackEvent): Gone {
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

function onTick(schedule: Schedule, state: PlaybackState, mediaMs: number): Gone {
  const { mode } = state
  switch (mode.kind) {
    case 'held':
      return keepHeld(schedule, state, mode.cueId, mediaMs)
    case 'reviewing':
      return onReviewTick(schedule, state, mediaMs)
    case 'ended':
      return same(state)
    case 'free':
      // Time that runs backwards without a jump being told is a jump backwards: nothing is crossed.
      if (mediaMs <= state.mediaMs)
        return state.mediaMs - mediaMs <= CLOCK_JITTER_MS
          ? same(state)
          : moveTo(schedule, state, mediaMs, 'jumping')
      return cross(schedule, state, state.mediaMs, mediaMs, 'playing')
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

function onSeeked(schedule: Schedule, state: PlaybackState, wantedMs: number): Gone {
  const range = seekRange(schedule, state)
  // Where no jump is allowed, one that is tried must not break off a hold or a review either.
  if (!range) {
    const here = Math.max(0, state.mediaMs)
    return { state, commands: wantedMs === here ? [] : [{ kind: 'seek', ms: here }] }
  }
  const target = Math.min(Math.max(range.fromMs, wantedMs), range.toMs)
  const before: PlaybackCommand[] = []
  for (let current = state; ;) {
    const barrier = barrierBefore(schedule, current, target)
    if (barrier?.kind === 'fork' && barrier.decides && barrier.atMs < target) {
      // A fork that decides by itself does so before anybody jumps over it; where it leads on, the jump goes on too.
      const way = isUndecided(barrier, current) ? undefined : wayByItself(barrier, current)
      if (way === null || (way && leadsOn(barrier, way))) {
        if (way) before.push({ kind: 'took', cueId: barrier.cueId, choiceId: way.id })
        current = way ? decided(current, barrier, way) : passed(current, barrier)
        continue
      }
    }
    const landed = land(schedule, current, barrier ? barrier.atMs : target, wantedMs)
    return { ...landed, commands: [...before, ...landed.commands] }
  }
}

const decided = (state: PlaybackState, { cueId }: ForkMoment, { id }: Way): PlaybackState => ({
  ...state,
  chosen: { ...state.chosen, [cueId]: id },
})

/** Lands a jump: what stood open is left, and what lies exactly at the target is met. */
function land(schedule: Schedule, state: PlaybackState, atMs: number, wantedMs: number): Gone {
  const { mode } = state
  const isHeldBy = mode.kind === 'held' || (mode.kind === 'reviewing' && mode.back.to === 'hold')
  if (mode.kind === 'held' && momentOf(schedule, mode.cueId)!.atMs === atMs)
    return { state, commands: wantedMs === atMs ? [] : [{ kind: 'seek', ms: atMs }] }
  const freed: PlaybackState = { ...state, mode: { kind: 'free' }, mediaMs: atMs - 1 }
  const met = cross(schedule, freed, atMs - 1, atMs, 'jumping')
  const commands: PlaybackCommand[] = []
  if (isHeldBy) commands.push({ kind: 'hide', cueId: mode.cueId })
  if (wantedMs !== atMs) commands.push({ kind: 'seek', ms: atMs })
  return { ...met, commands: [...commands, ...met.commands] }
}

/** The film ran out: whatever lies at its end is met first, then the part is finished. */
function onEnded(schedule: Schedule, state: PlaybackState): Gone {
  if (state.mode.kind === 'held' || state.mode.kind === 'ended') return same(state)
  const end = schedule.durationMs
  const met =
    state.mode.kind === 'reviewing' || state.mediaMs < end
      ? onTick(schedule, state, end)
      : same(state)
  // Held, brought back beside a question, or led elsewhere by a fork at the very end.
  if (met.led || state.mode.kind === 'reviewing' || met.state.mode.kind !== 'free') return met
  return finish(met)
}

/** Passing over releases the hold, nothing more. What stands beside the film can be closed at any time. */
function onDismissed(schedule: Schedule, state: PlaybackState, cueId: string): Gone {
  const moment = momentOf(schedule, cueId)
  if (moment?.kind !== 'question') return same(state)
  const isFree = isReleasable(moment, state.results[cueId])
  const released = isFree ? { ...state.released, [cueId]: true as const } : state.released
  const { mode } = state
  if (state.beside.includes(cueId)) {
    const beside = state.beside.filter((other) => other !== cueId)
    const closed: PlaybackState = { ...state, beside, released }
    if (mode.kind !== 'reviewing' || mode.cueId !== cueId || mode.back.to === 'hold')
      return withOverlays(schedule, closed, [hidden(moment)])
    const { back } = mode
    return returnTo(schedule, closed, back, [
      hidden(moment),
      { kind: 'pause' },
      { kind: 'seek', ms: back.atMs },
    ])
  }
  const isHere = (mode.kind === 'held' || mode.kind === 'reviewing') && mode.cueId === cueId
  if (!isFree || !isHere) return same(state)
  const before: PlaybackCommand[] = [hidden(moment)]
  if (mode.kind === 'reviewing') before.push({ kind: 'seek', ms: moment.atMs })
  return goOn(schedule, { ...state, mode: { kind: 'free' }, released }, moment, before)
}

function onChose(schedule: Schedule, state: PlaybackState, cueId: string, choiceId: string): Gone {
  const fork = forkHere(schedule, state, cueId)
  const way = fork?.ways.find(({ id }) => id === choiceId)
  return fork && way ? take(schedule, state, fork, way) : same(state)
}

/** The fork of this name, where it holds the film. */
function forkHere(schedule: Schedule, { mode }: PlaybackState, cueId: string): ForkMoment | null {
  const fork = momentOf(schedule, cueId)
  return fork?.kind === 'fork' && mode.kind === 'held' && mode.cueId === cueId ? fork : null
}

/** Time goes by for whoever is asked something that has a countdown. */
function onClock(schedule: Schedule, state: PlaybackState, ms: number): Gone {
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
): Gone {
  const waited: PlaybackState = { ...state, waitedMs: state.waitedMs + passedMs }
  if (countdownOf(schedule, waited)!.leftMs > 0) return withOverlays(schedule, waited, [])
  const usual = fork.ways.find(({ id }) => id === fork.defaultChoice)
  return chooseOrGoOn(schedule, waited, fork, usual ?? null)
}

/** What the server says of a fork that holds the film because nobody else knows the way. */
function onDecided(
  schedule: Schedule,
  state: PlaybackState,
  cueId: string,
  open: readonly string[],
): Gone {
  const fork = forkHere(schedule, state, cueId)
  if (!fork?.decides) return same(state)
  const way = wayByItself(fork, state, ({ id }) => open.includes(id))
  return chooseOrGoOn(schedule, state, fork, way)
}

function chooseOrGoOn(
  schedule: Schedule,
  state: PlaybackState,
  fork: ForkMoment,
  way: Way | null,
): Gone {
  if (way) return take(schedule, state, fork, way)
  const freed: PlaybackState = { ...passed(state, fork), mode: { kind: 'free' }, waitedMs: 0 }
  return goOn(schedule, freed, fork, [hidden(fork)])
}

/** Opens a question beside the film, before the others that are open there. */
function onOpened(schedule: Schedule, state: PlaybackState, cueId: string): Advanced {
  const { mode, beside } = state
  const isTaken = mode.kind === 'held' || mode.kind === 'reviewing' || beside[0] === cueId
  if (momentOf(schedule, cueId)?.kind !== 'question' || isTaken) return same(state)
  const others = beside.filter((other) => other !== cueId)
  const isNew = others.length === beside.length
  const opened: PlaybackState = { ...state, beside: [cueId, ...others] }
  return withOverlays(schedule, opened, isNew ? [{ kind: 'show', cueId }] : [])
}
