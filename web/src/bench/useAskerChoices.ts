// All that asks in the lesson, as choices of a field: by part, time and words.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { placesAsked } from '@fernbrake/core/analysis'
import { plainOf } from '@fernbrake/core/fields'
import { partsInOrder } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import { useBench } from './useBench.ts'

export function useAskerChoices() {
  const bench = useBench()
  const { t } = useI18n()
  return computed(() => {
    const parts = partsInOrder(bench.lesson.value)
    return parts.flatMap((part) =>
      placesAsked(bench.lesson.value, part).map(({ id, question, atMs }) => {
        const words = plainOf(question.stem).replaceAll('\n', ' ') || t('quiz.noStem')
        const when = atMs === null ? '' : `${clockTime(atMs)} `
        const where = parts.length > 1 ? `${part.title || t('bench.untitled')} · ` : ''
        return { value: id, label: `${where}${when}${words}` }
      }),
    )
  })
}
