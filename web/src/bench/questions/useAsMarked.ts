// A question in words as it is marked once it is published: what the films say, and other words of the language, are no slips
// of what is listed.
import { watchDebounced } from '@vueuse/core'
import { computed, shallowRef, type ComputedRef } from 'vue'
import { questionIn } from '@fernbrake/core/lesson'
import { wordsListed, type GapsQuestion, type ShortTextQuestion } from '@fernbrake/core/questions'
import { wordsNear } from '../../api/nearWords.ts'
import { useBench } from '../useBench.ts'

/** Whoever writes is asked about once they stop for so long, in ms. */
const PAUSE_MS = 500

export function useAsMarked<Q extends ShortTextQuestion | GapsQuestion>(
  question: () => Q,
): { asMarked: ComputedRef<Q>; others: ComputedRef<readonly string[]> } {
  const bench = useBench()
  const near = shallowRef<readonly string[]>([])
  const listed = computed(() => [...wordsListed(question())].join(' '))
  const language = computed(() => bench.lesson.value.language)
  async function look(): Promise<void> {
    const asked = listed.value
    const words = await wordsNear(language.value, asked === '' ? [] : asked.split(' '))
    if (asked === listed.value) near.value = words
  }
  watchDebounced([listed, language], () => void look(), { debounce: PAUSE_MS, immediate: true })
  const asMarked = computed(() => questionIn(bench.lesson.value, question(), near.value) as Q)
  return { asMarked, others: computed(() => asMarked.value.rules.others ?? []) }
}
