// What the clock of a learner's device is worth, and how much can have been watched in the time that passed. Clock times are
// whole ms since the epoch; what a device says is read by the server's clock as far as that can be known.
import { normalise, type Span } from './spans.ts'

/** Allowed on top of the time that passed, in ms, once a sitting: clocks of films and devices are read at slightly different moments. */
export const PLAUSIBLE_SLACK_MS = 1000
/** What lies closer together than this, in ms of clock time, is one sitting. */
const SITTING_GAP_MS = 5 * 60_000
/** A sending takes no longer than this, in ms: a larger difference means that the device's clock was set, or is another's. */
const LONGEST_SENDING_MS = 30_000
/** So many stretches of clock time are told apart; of more the oldest are taken together. */
const MOST_STRETCHES = 400

/** One time that somebody sat before the lesson. */
export interface ClockSitting extends Span {
  /** How much more was watched up to its end than time passed, in ms; never above the slack. */
  overMs: number
}

/** What is remembered of the clocks by which one learner watched. */
export interface ClockState {
  /** What is added to the device's clock to get the server's, in ms; null before anything was heard. */
  offsetMs: number | null
  /**
   * By what moments are moved that the device tells of: the offset as it was first read, so that what came later never
   * seems to have come before; 0 where that was no more than a sending may take.
   */
  movedMs: number
  /** Clock time in which something was played: sorted and disjoint. */
  used: Span[]
  sittings: ClockSitting[]
}

export const freshClock = (): ClockState => ({ offsetMs: null, movedMs: 0, used: [], sittings: [] })

const isSending = (ms: number) => Math.abs(ms) <= LONGEST_SENDING_MS

/** What a batch says of the clock of its device. */
export interface ClockReading {
  /** What the device's clock showed as it sent; null where it does not say. */
  sentAtMs: number | null
  /** The latest time that it speaks of, by its clock; a clock that is ahead shows in it. */
  latestMs: number
  /** What the server's clock showed as it was heard. */
  nowMs: number
}

/**
 * The state with the offset of the device that sent a batch. Sending takes time, so of several readings the least is nearest
 * the truth; what is remembered moves along with it.
 */
export function readClock(state: ClockState, reading: ClockReading): ClockState {
  const { sentAtMs, latestMs, nowMs } = reading
  const heard = sentAtMs === null ? Math.min(0, nowMs - latestMs) : nowMs - sentAtMs
  const known = state.offsetMs
  if (known === null || !isSending(heard - known))
    return { ...state, offsetMs: heard, movedMs: isSending(heard) ? 0 : heard }
  if (sentAtMs === null || heard >= known) return state
  const by = heard - known
  const move = <T extends Span>(span: T): T => ({
    ...span,
    fromMs: span.fromMs + by,
    toMs: span.toMs + by,
  })
  const { movedMs } = state
  const moved = { used: state.used.map(move), sittings: state.sittings.map(move) }
  return { offsetMs: heard, movedMs, ...moved }
}

/** Between which moments of the server's clock something can have been done. */
export interface ClockBounds {
  /** When the attempt began. */
  openedMs: number
  nowMs: number
}

/** When something was done, by the server's clock. */
export interface HeardAt {
  atMs: number
  /** It cannot have been then: before the attempt, or later than now. It is taken for now. */
  isDoubtful: boolean
}

/** The one rule on when something was done that a device says was done at `saidMs`. */
export function heardAtMs(
  saidMs: number,
  { movedMs }: Pick<ClockState, 'movedMs'>,
  { openedMs, nowMs }: ClockBounds,
): HeardAt {
  const atMs = saidMs + movedMs
  const fits = atMs >= openedMs - LONGEST_SENDING_MS && atMs <= nowMs + LONGEST_SENDING_MS
  if (!fits) return { atMs: nowMs, isDoubtful: true }
  return { atMs: Math.min(nowMs, Math.max(openedMs, atMs)), isDoubtful: false }
}

/** A stretch of film that is said to have been played, with clock times by the device. */
export interface ReportedSpan extends Span {
  /** Playback rate, 1 is normal. */
  rate: number
  /** Clock times between which the span was played, ms since the epoch. */
  beganAtMs: number
  endedAtMs: number
}

/** Why a span is not believed. */
export type SpanDoubt = 'faster' | 'outside'

const overlap = (a: Span, b: Span) =>
  Math.max(0, Math.min(a.toMs, b.toMs) - Math.max(a.fromMs, b.fromMs))

/** How much of a stretch of clock time nothing was played in yet. */
const unusedMs = (used: readonly Span[], span: Span) =>
  used.reduce((left, one) => left - overlap(one, span), span.toMs - span.fromMs)

const isNear = (a: Span, b: Span) =>
  a.fromMs <= b.toMs + SITTING_GAP_MS && b.fromMs <= a.toMs + SITTING_GAP_MS

/** The sittings with a stretch of clock time added to the one it belongs to; what it joins becomes one. */
function withSitting(
  sittings: readonly ClockSitting[],
  span: Span,
  overMs: number,
): ClockSitting[] {
  const near = sittings.filter((one) => isNear(one, span))
  const joined: ClockSitting = {
    fromMs: Math.min(span.fromMs, ...near.map(({ fromMs }) => fromMs)),
    toMs: Math.max(span.toMs, ...near.map(({ toMs }) => toMs)),
    overMs,
  }
  return [...sittings.filter((one) => !near.includes(one)), joined].sort(
    (a, b) => a.fromMs - b.fromMs,
  )
}

function withUsed(used: readonly Span[], span: Span): Span[] {
  const all = normalise([...used, span])
  if (all.length <= MOST_STRETCHES) return all
  const [first, second, ...rest] = all as [Span, Span, ...Span[]]
  return [{ fromMs: first.fromMs, toMs: second.toMs }, ...rest]
}

/**
 * Judges spans of one batch, in the order given: of each, null where it is believed, else why not; and the state after it.
 * A learner plays one film at a time, so no moment of clock time counts twice: the time in which something was played
 * bounds, by its rate, how much that was. What a sitting is over by is carried along and may never exceed the slack; time
 * in which less was played than passed earns nothing. What is not believed leaves the state as it is.
 */
export function judgeSpans(
  state: ClockState,
  spans: readonly ReportedSpan[],
  bounds: ClockBounds,
): { doubts: (SpanDoubt | null)[]; state: ClockState } {
  const offsetMs = state.offsetMs ?? 0
  let { used, sittings } = state
  const judge = (span: ReportedSpan): SpanDoubt | null => {
    const clock = { fromMs: span.beganAtMs + offsetMs, toMs: span.endedAtMs + offsetMs }
    if (
      clock.fromMs < bounds.openedMs - PLAUSIBLE_SLACK_MS ||
      clock.toMs > bounds.nowMs + PLAUSIBLE_SLACK_MS ||
      clock.toMs < clock.fromMs
    )
      return 'outside'
    const neededMs = (span.toMs - span.fromMs) / span.rate
    const before = sittings
      .filter((one) => isNear(one, clock))
      .reduce((most, { overMs }) => Math.max(most, overMs), 0)
    const overMs = Math.max(0, before + neededMs - unusedMs(used, clock))
    if (overMs > PLAUSIBLE_SLACK_MS) return 'faster'
    used = withUsed(used, clock)
    sittings = withSitting(sittings, clock, Math.round(overMs))
    return null
  }
  const doubts = spans.map(judge)
  return { doubts, state: { ...state, used, sittings } }
}
