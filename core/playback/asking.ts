// Questions about a state that change nothing: which moment, which way, what stands in the way of a jump.
import { isHidden, isMet } from '../routes/index.ts'
import type { Condition } from '../lesson/index.ts'
import { isRequired, type ForkMoment, type Moment, type Schedule, type Way } from './schedule.ts'
import type { PlaybackState } from './state.ts'

export const momentOf = (schedule: Schedule, cueId: string) =>
  schedule.moments.find((moment) => moment.cueId === cueId)

/** The question or fork that the learner has before them: the one that holds, else the first beside the film. */
export function openCueId({ mode, beside }: PlaybackState): string | null {
  if (mode.kind === 'held' || mode.kind === 'reviewing') return mode.cueId
  return beside[0] ?? null
}

/** The countdown that runs, and the share of it that is gone. */
export function countdownOf(
  schedule: Schedule,
  state: PlaybackState,
): { cueId: string; share: number; leftMs: number } | null {
  const openId = state.mode.kind === 'reviewing' ? null : openCueId(state)
  const moment = openId === null ? undefined : momentOf(schedule, openId)
  if (!moment || moment.countdownMs === null) return null
  const { cueId, countdownMs } = moment
  if (moment.kind === 'question' && !isCounted(moment, state)) return null
  const waitedMs = moment.kind === 'fork' ? state.waitedMs : (state.waited[cueId] ?? 0)
  const share = Math.min(1, waitedMs / countdownMs)
  return { cueId, share, leftMs: Math.max(0, countdownMs - waitedMs) }
}

/** Only what holds has a time of its own; and once no further answer counts, nothing runs out any more. */
const isCounted = (
  { cueId, hold }: Extract<Moment, { kind: 'question' }>,
  { results }: PlaybackState,
) => hold !== 'none' && !results[cueId]?.final

/** The stretch that the seek rule lets a learner jump within, in ms; null where they may not jump at all. */
export function seekRange(
  schedule: Schedule,
  state: PlaybackState,
): { fromMs: number; toMs: number } | null {
  const { durationMs, seekRule } = schedule
  const { mediaMs, furthestMs, openMs } = state
  // The first jump takes up where an earlier sitting left off; no rule stands against that.
  if (mediaMs < 0) return { fromMs: 0, toMs: durationMs }
  switch (seekRule) {
    case 'free':
      return { fromMs: 0, toMs: durationMs }
    case 'backOnly':
      return { fromMs: 0, toMs: Math.min(durationMs, Math.max(furthestMs, openMs, mediaMs)) }
    case 'none':
      // Whoever has come to the end may begin again.
      return state.mode.kind === 'ended' ? { fromMs: 0, toMs: 0 } : null
  }
}

/** The first moment up to `ms` that a jump may not leave behind. */
export const barrierBefore = (schedule: Schedule, state: PlaybackState, ms: number) =>
  schedule.moments.find(
    (moment) => moment.atMs <= ms && isRequired(moment) && !isDealtWith(schedule, state, moment),
  )

/** Whether a required moment stands in nobody's way any more: released, decided, or led round by a fork. */
function isDealtWith(schedule: Schedule, state: PlaybackState, moment: Moment): boolean {
  if (state.released[moment.cueId]) return true
  if (moment.kind === 'fork' && isBehind(moment, state)) return true
  return schedule.moments.some((fork) => {
    if (fork.kind !== 'fork') return false
    const way = fork.ways.find(({ id }) => id === state.chosen[fork.cueId])
    return way?.target.to === 'time' && fork.atMs <= moment.atMs && moment.atMs < way.target.atMs
  })
}

/** A fork that was decided once is jumped over freely, unless it would lead back. */
function isBehind(fork: ForkMoment, state: PlaybackState): boolean {
  if (state.chosen[fork.cueId] === undefined) return false
  if (!fork.decides || isUndecided(fork, state)) return true
  const way = wayByItself(fork, state)
  return !way || !leadsBack(fork, way)
}

/** Whether a way leads on from where its fork stands; one to the fork's own time does as well. */
export const leadsOn = ({ atMs }: ForkMoment, { target }: Way): boolean =>
  target.to === 'on' || (target.to === 'time' && target.atMs === atMs)

export const leadsBack = ({ atMs }: ForkMoment, { target }: Way): boolean =>
  target.to === 'time' && target.atMs < atMs

/** The way a fork takes without asking, of those that `isOpen`; null where none is. */
export function wayByItself(
  fork: ForkMoment,
  state: PlaybackState,
  isOpen = ({ condition }: Way): boolean => isMet(condition, state.facts, state.results),
): Way | null {
  const mayLead = (way: Way) => !isSpent(fork, way, state)
  const open = fork.ways.find((way) => isOpen(way) && mayLead(way))
  const usual = fork.ways.find(({ id }) => id === fork.defaultChoice)
  return open ?? (usual && mayLead(usual) ? usual : null)
}

/**
 * Whether a fork has led back by this way before, and nothing that it goes by has changed since: going round again would
 * change nothing either, for ever.
 */
const isSpent = (fork: ForkMoment, way: Way, state: PlaybackState): boolean =>
  leadsBack(fork, way) && state.ledBack[fork.cueId] === basisOf(fork, state)

/** All that a fork's conditions go by, as it stands now, in one text. */
export const basisOf = ({ ways }: ForkMoment, state: PlaybackState): string =>
  JSON.stringify(ways.map(({ condition }) => readBy(condition, state)))

function readBy(condition: Condition | null, { results, facts }: PlaybackState): unknown {
  switch (condition?.if) {
    case undefined:
      return null
    case 'answer': {
      const { right, final, tries = 0 } = results[condition.cueId ?? ''] ?? {}
      return [right ?? null, final ?? null, tries]
    }
    case 'score':
      return facts.score
    case 'watched':
      // Whole hundredths: the last frames of a round are often not told of.
      return Math.round(100 * (facts.watched[condition.partId] ?? 0))
    case 'visited':
      return facts.visited.includes(condition.partId)
  }
}

/** Whether a fork that asks nobody cannot be decided here: the server has to be asked, and the film waits for it. */
export const isUndecided = (fork: ForkMoment, { facts }: PlaybackState): boolean =>
  fork.decides && fork.ways.some(({ condition }) => isHidden(condition, facts))

/** Whether a question can still be answered: its tries are not used up, and its time has not run out. */
export const isOpenToAnswers = ({ results }: PlaybackState, cueId: string): boolean =>
  results[cueId]?.final !== true

/** Whether a learner has come to a question by now, so that they may open it when they like. */
export function wasComeTo(schedule: Schedule, state: PlaybackState, cueId: string): boolean {
  const moment = momentOf(schedule, cueId)
  if (moment?.kind !== 'question') return false
  const isBefore = moment.atMs <= Math.max(state.furthestMs, state.mediaMs)
  return isBefore || state.released[cueId] === true || state.results[cueId] !== undefined
}
