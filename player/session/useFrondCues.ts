// What a part's frond shows a learner: its cues, and how the learner stands at each question.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { cuesInOrder, leafOfCue, type Lesson } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import type { FrondCue } from '../frond/model.ts'
import type { QuestionStanding } from './useAnswers.ts'

export function useFrondCues(
  lesson: Lesson,
  partId: string,
  answers: { standing(questionId: string): QuestionStanding },
  /** False where nobody is told yet what is right. */
  tells = true,
) {
  const { t } = useI18n()
  return computed<FrondCue[]>(() =>
    cuesInOrder(lesson, partId).flatMap((cue): FrondCue[] => {
      if (cue.kind === 'note') return []
      if (cue.kind === 'overlay') {
        const label = t('player.cue.overlay', { time: clockTime(cue.fromMs) })
        return [{ id: cue.id, kind: cue.kind, fromMs: cue.fromMs, toMs: cue.toMs, label }]
      }
      const at = { id: cue.id, fromMs: cue.atMs, toMs: cue.atMs }
      const time = clockTime(cue.atMs)
      if (cue.kind === 'bookmark')
        return [
          {
            ...at,
            kind: cue.kind,
            title: cue.title,
            label: t('player.cue.bookmark', { title: cue.title, time }),
          },
        ]
      if (cue.kind === 'fork')
        return cue.decides
          ? []
          : [{ ...at, kind: cue.kind, label: t('player.cue.fork', { time, prompt: cue.prompt }) }]
      const { triesUsed, lastMark } = answers.standing(cue.questionId)
      const standing =
        tells && lastMark?.verdict === 'right' ? 'right' : triesUsed > 0 ? 'answered' : 'open'
      const key = standing === 'open' ? 'question' : standing
      const kind = leafOfCue(lesson, cue)
      return [{ ...at, kind, standing, label: t(`player.cue.${key}`, { time }) }]
    }),
  )
}
