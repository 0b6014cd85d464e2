// How the question of a film may be left, for the sheet that asks it.
import { isReleasable, type AnswerResult, type QuestionMoment } from '@fernbrake/core/playback'
import type { Question } from '@fernbrake/core/questions'

/**
 * `t` gives the words for a key of the language file. `isBeside`: it holds nothing up, so it can be closed as it is.
 */
export function leavingOf(
  moment: QuestionMoment,
  { tries }: Pick<Question, 'tries'>,
  result: AnswerResult | undefined,
  t: (key: string) => string,
  isBeside = moment.hold === 'none',
) {
  const isEndless = moment.hold === 'right' && tries === 0
  const must = isEndless ? 'mustBeRightAtLast' : 'mustBeRight'
  return {
    canGoOn: isBeside || isReleasable(moment, result),
    beside: isBeside,
    rule: t(`player.${moment.hold === 'right' ? must : 'mustAnswer'}`),
    evidence: moment.evidence,
    /** Whether so many tries bring help, see `HELP_AFTER_TRIES`. */
    helps: isEndless,
  }
}
