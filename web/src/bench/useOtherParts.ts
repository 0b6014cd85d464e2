// The parts of the lesson that something in one of them can lead to, as choices.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { partsInOrder } from '@fernbrake/core/lesson'
import { useBench } from './useBench.ts'

export function useOtherParts(partId: () => string) {
  const bench = useBench()
  const { t } = useI18n()
  return computed(() =>
    partsInOrder(bench.lesson.value)
      .filter(({ id }) => id !== partId())
      .map(({ id, title }) => ({ value: id, label: title || t('bench.untitled') })),
  )
}
