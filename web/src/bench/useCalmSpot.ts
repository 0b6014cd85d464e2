// The calm spots of the selected overlay, found in a worker and kept up to date while it is edited.
import { useDebounceFn } from '@vueuse/core'
import { computed, onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue'
import { mediaFileAddress, type Media } from '@fernbrake/core/contract'
import {
  formOf,
  lookOf,
  showsWords,
  type Cue,
  type OverlayCue,
  type ScriptLine,
} from '@fernbrake/core/lesson'
import { timesToLookAt, type CalmWish } from '@fernbrake/core/media'
import type { CalmAnswer, CalmQuestion } from './calmSpot.worker.ts'

/** Edits that follow each other faster than this are looked at once, in ms. */
const SETTLE_MS = 120

export type CalmSpots = NonNullable<CalmAnswer['found']>

/** What of the bench is looked at. */
interface Looked {
  selected: Readonly<Ref<Cue | null>>
  cues: Readonly<Ref<readonly Cue[]>>
  lines: Readonly<Ref<readonly ScriptLine[]>>
  media: Readonly<Ref<Media | null>>
  durationMs: Readonly<Ref<number>>
  times: { shots: Readonly<Ref<readonly number[]>> }
}

/** Covers in one direction only matter as long as they share the time. */
const meets = (a: OverlayCue, b: OverlayCue) => a.fromMs < b.toMs && b.fromMs < a.toMs

function wishOf(bench: Looked, cue: OverlayCue): CalmWish {
  const look = lookOf(cue.look)
  const others = bench.cues.value.filter(
    (other): other is OverlayCue =>
      other.kind === 'overlay' && other.id !== cue.id && meets(cue, other),
  )
  return {
    box: { ...cue.box },
    ink: look.ink,
    fill: look.fill ? { colour: look.fill, opacity: 1 } : null,
    opacity: look.opacity,
    others: others.map(({ box }) => ({ ...box })),
    captions: bench.lines.value.some(({ fromMs, toMs }) => fromMs < cue.toMs && cue.fromMs < toMs),
  }
}

/** Null while nothing is known; the worker begins with the first overlay that is looked at. */
export function useCalmSpot(bench: Looked) {
  const found = shallowRef<CalmSpots | null>(null)
  const looking = ref(false)
  let worker: Worker | null = null
  let asked = 0

  const cue = computed(() =>
    bench.selected.value?.kind === 'overlay' ? bench.selected.value : null,
  )
  const strip = computed(() => {
    const media = bench.media.value
    return media?.files.includes('filmstrip') ? mediaFileAddress(media.id, 'filmstrip') : null
  })
  const asks = computed<Omit<CalmQuestion, 'id'> | null>(() => {
    if (!cue.value || !strip.value || !showsWords(formOf(cue.value))) return null
    const { fromMs, toMs } = cue.value
    const times = timesToLookAt(fromMs, toMs, bench.times.shots.value)
    const durationMs = bench.durationMs.value
    return { strip: strip.value, durationMs, times, wish: wishOf(bench, cue.value) }
  })

  function onAnswer({ data }: MessageEvent<CalmAnswer>): void {
    if (data.id !== asked) return
    looking.value = false
    found.value = data.found
  }

  function begin(): Worker {
    const made = new Worker(new URL('./calmSpot.worker.ts', import.meta.url), { type: 'module' })
    made.addEventListener('message', onAnswer)
    return made
  }

  const ask = useDebounceFn(() => {
    if (!asks.value) return
    asked += 1
    looking.value = true
    worker ??= begin()
    worker.postMessage({ id: asked, ...asks.value } satisfies CalmQuestion)
  }, SETTLE_MS)

  // What is asked is compared by what it says: playing on changes nothing of it.
  watch(
    () => JSON.stringify(asks.value),
    (now) => {
      if (now !== 'null') return void ask()
      asked += 1
      looking.value = false
      found.value = null
    },
    { immediate: true },
  )
  watch(
    () => cue.value?.id,
    () => (found.value = null),
  )
  onScopeDispose(() => worker?.terminate())
  return { found, looking }
}
