// A chronicle as it is shown: its items in time order with their dates in words, and the colours of their categories.
import { computed, type Ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { dateWords, endsTooSoon, inTimeOrder, type ChronicleDate } from '@fernbrake/core/chronicle'
import type { Category, ChronicleItem, ChroniclePart } from '@fernbrake/core/lesson'

export interface ShownItem {
  item: ChronicleItem
  /** When, in words. */
  when: string
  category: Category | null
}

export function useChronicle(part: Readonly<Ref<ChroniclePart>>) {
  const { t } = useI18n()
  const words = (date: ChronicleDate) =>
    dateWords(date, undefined, (said) => t('player.part.bce', { date: said }))
  const when = (item: ChronicleItem) =>
    item.until === null || endsTooSoon(item)
      ? words(item.from)
      : t('player.part.fromUntil', { from: words(item.from), until: words(item.until) })
  const items = computed((): ShownItem[] =>
    inTimeOrder(Object.values(part.value.items)).map((item) => ({
      item,
      when: when(item),
      category: part.value.categories[item.categoryId ?? ''] ?? null,
    })),
  )
  return { items, words }
}
