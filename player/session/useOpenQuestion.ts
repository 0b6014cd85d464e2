// The question that is on the sheet beside a film, and how long it has been there.
import { computed, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { cuesInOrder, type Lesson } from '@fernbrake/core/lesson'
import { openCueId, type QuestionMoment } from '@fernbrake/core/playback'
import { nowMs } from '../clock.ts'
import { leavingOf } from './leaving.ts'
import type { FilmSession } from './useFilmSession.ts'

export function useOpenQuestion(
  { state, schedule, part }: FilmSession,
  lesson: Lesson,
  told: boolean,
) {
  const { t } = useI18n()
  const questionCues = cuesInOrder(lesson, part.id).filter((cue) => cue.kind === 'question')
  /** The one that holds, else the first that runs beside. */
  const open = computed(() => {
    const id = openCueId(state.value)
    const index = questionCues.findIndex((cue) => cue.id === id)
    const cue = questionCues[index]
    if (!cue) return null
    const moment = schedule.moments.find(
      (m) => m.kind === 'question' && m.cueId === cue.id,
    ) as QuestionMoment
    const question = lesson.questions[cue.questionId]!
    const material = lesson.materials?.[question.materialId ?? ''] ?? null
    const isBeside = state.value.beside.includes(cue.id)
    const leaving = leavingOf(moment, question, state.value.results[cue.id], t, { isBeside, told })
    return { cue, leaving, number: index + 1, question, material }
  })
  let openSinceMs = 0
  watch(
    () => open.value?.cue.id,
    () => (openSinceMs = nowMs()),
    { immediate: true },
  )
  return { questionCues, open, openForMs: () => nowMs() - openSinceMs }
}
