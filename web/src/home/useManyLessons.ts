// What the home page shows of many lessons: what was asked for stands in the address, so that the way back leads to it.
import { useLocalStorage } from '@vueuse/core'
import { computed, onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue'
import { useRoute } from 'vue-router'
import type { Collection, LessonCard, LessonFound } from '@fernbrake/core/contract'
import { call } from '../api/client.ts'
import { useQuery } from '../ui/useQuery.ts'
import { arrangeLessons, AWAY, IN_USE, LESSON_SORTS, type LessonSort } from './arrange.ts'

/** So long after the last key the server is asked, in ms. */
const PAUSE_MS = 250
/** From so many on they stand in lines, until somebody chooses. */
const MANY = 24

export function useManyLessons(
  lessons: () => readonly LessonCard[],
  collections: () => readonly Collection[],
) {
  const route = useRoute()
  const write = useQuery()
  const text = (value: unknown, otherwise: string) =>
    typeof value === 'string' && value !== '' ? value : otherwise
  const words = useTypedWords()
  const shown = computed({
    get() {
      const wanted = text(route.query.in, IN_USE)
      const isThere = wanted === AWAY || collections().some(({ id }) => id === wanted)
      return isThere ? wanted : IN_USE
    },
    set: (value) => write({ in: value === IN_USE ? undefined : value }),
  })
  const sort = useLocalStorage<LessonSort>('fernbrake-home-sort', 'changed')
  // What an earlier version, or another hand, left there.
  if (!LESSON_SORTS.includes(sort.value)) sort.value = 'changed'
  const layout = useLocalStorage<'cards' | 'lines' | ''>('fernbrake-home-layout', '')
  const inLines = computed<boolean>({
    get: () => (layout.value || (lessons().length >= MANY ? 'lines' : 'cards')) === 'lines',
    set: (value) => (layout.value = value ? 'lines' : 'cards'),
  })
  const search = useWordsSearch(() => words.value.trim())
  const arranged = computed(() =>
    arrangeLessons(lessons(), collections(), {
      shown: shown.value,
      sort: sort.value,
      words: words.value,
      found: search.found.value,
    }),
  )
  const collection = computed(() => collections().find(({ id }) => id === shown.value) ?? null)
  return { words, shown, sort, inLines, arranged, collection, search }
}

/**
 * The words as they are typed, and a little later as the address says them: it takes a while to change, and a field that followed it
 * would lose the letters that are typed meanwhile.
 */
function useTypedWords(): Ref<string> {
  const route = useRoute()
  const write = useQuery()
  const said = () => (typeof route.query.words === 'string' ? route.query.words : '')
  const words = ref(said())
  let written = words.value
  let timer: ReturnType<typeof setTimeout> | undefined
  watch(words, (now) => {
    clearTimeout(timer)
    timer = setTimeout(() => {
      written = now
      write({ words: now || undefined })
    }, PAUSE_MS)
  })
  // Somebody went to the page without words, or to another search.
  watch(said, (now) => {
    if (now !== written) words.value = now
    written = now
  })
  onScopeDispose(() => clearTimeout(timer))
  return words
}

/** Asks the server which lessons hold the words, once nobody types any more; of several askings the last one counts. */
export function useWordsSearch(words: () => string) {
  const found = shallowRef<LessonFound[] | null>(null)
  const fault = shallowRef<unknown>(null)
  const isLooking = ref(false)
  let timer: ReturnType<typeof setTimeout> | undefined
  let turn = 0

  async function look(): Promise<void> {
    turn += 1
    const mine = turn
    fault.value = null
    try {
      const reply = await call('findLessons', { query: { words: words() } })
      if (mine === turn) found.value = reply.found
    } catch (caught) {
      if (mine === turn) fault.value = caught
    } finally {
      if (mine === turn) isLooking.value = false
    }
  }

  function onWords(): void {
    clearTimeout(timer)
    turn += 1
    found.value = null
    fault.value = null
    isLooking.value = words() !== ''
    if (isLooking.value) timer = setTimeout(() => void look(), PAUSE_MS)
  }
  watch(words, onWords, { immediate: true })
  onScopeDispose(() => clearTimeout(timer))
  return { found, fault, isLooking, again: look }
}
