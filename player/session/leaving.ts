// How the question of a film may be left, for the sheet that asks it.
import { isReleasable, type AnswerResult, type QuestionMoment } from '@fernbrake/core/playback'

/** `t` gives the words for a key of the language file. */
export function leavingOf(
  moment: QuestionMoment,
  result: AnswerResult | undefined,
  t: (key: string) => string,
) {
  return {
    canGoOn: isReleasable(moment, result),
    rule: t(moment.hold === 'right' ? 'player.mustBeRight' : 'player.mustAnswer'),
    // Beside a film that runs nothing can be played again without leaving what is watched.
    evidence: moment.hold === 'none' ? null : moment.evidence,
  }
}
