// How the question of a film may be left, for the sheet that asks it.
import { isReleasable, type AnswerResult, type QuestionMoment } from '@fernbrake/core/playback'
import { HELP_AFTER_TRIES, type Question } from '@fernbrake/core/questions'

/**
 * `t` gives the words for a key of the language file. `isBeside`: it holds nothing up, so it can be closed as it is.
 */
export function leavingOf(
  moment: QuestionMoment,
  question: Pick<Question, 'tries' | 'cut'>,
  result: AnswerResult | undefined,
  t: (key: string, named?: Record<string, unknown>) => string,
  { isBeside = moment.hold === 'none', told = true }: { isBeside?: boolean; told?: boolean } = {},
) {
  const isEndless = moment.hold === 'right' && question.tries === 0
  const isUntold = !told || question.cut === true
  const must = isEndless ? (isUntold ? 'mustTry' : 'mustBeRightAtLast') : 'mustBeRight'
  return {
    canGoOn: isBeside || isReleasable(moment, result),
    beside: isBeside,
    rule: t(`player.${moment.hold === 'right' ? must : 'mustAnswer'}`, { n: HELP_AFTER_TRIES }),
    evidence: moment.evidence,
    /** Whether so many tries bring help, see `HELP_AFTER_TRIES`. */
    helps: isEndless,
  }
}
