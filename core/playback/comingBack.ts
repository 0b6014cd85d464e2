// What a learner who comes back to a film finds: whose time is up, and what is asked again.
import type { Lesson } from '../lesson/index.ts'
import type { Schedule } from './schedule.ts'
import type { AnswerResult } from './state.ts'

/**
 * The questions whose time is up; `waited` is how long each was open on this device, in ms. One that was left on another
 * device, where it is not known here how long it took, counts as well: else a second device would give the time anew.
 */
export const timesUp = (
  { moments }: Pick<Schedule, 'moments'>,
  waited: Readonly<Record<string, number>>,
  released: readonly string[],
): string[] =>
  moments
    .filter(
      ({ kind, cueId, countdownMs }) =>
        kind === 'question' &&
        countdownMs !== null &&
        (waited[cueId] ?? (released.includes(cueId) ? countdownMs : 0)) >= countdownMs,
    )
    .map(({ cueId }) => cueId)

/**
 * What holds nobody any more in a film that a way led to. Whoever was led there is asked again what they can still answer,
 * but for questions with a time of their own: a time that is set is not given anew.
 */
export const releasedOnceLedTo = (
  { cues }: Pick<Lesson, 'cues'>,
  partId: string,
  released: readonly string[],
  results: Readonly<Record<string, AnswerResult>>,
): string[] =>
  released.filter((cueId) => {
    const cue = Object.hasOwn(cues, cueId) ? cues[cueId] : undefined
    const isAsked = cue?.kind === 'question' && cue.partId === partId
    return !isAsked || cue.countdownMs !== undefined || results[cueId]?.final === true
  })
