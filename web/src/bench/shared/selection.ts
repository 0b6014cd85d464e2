// The cues of the open film, and which of them are selected.
import { computed, ref, shallowRef, type Ref } from 'vue'
import {
  cueEndMs,
  cuesInOrder,
  cueStartMs,
  isShownAt,
  type Cue,
  type Lesson,
} from '@fernbrake/core/lesson'
import type { Places } from './places.ts'
import type { Playhead } from './playhead.ts'

/** Whoever stands so near to a cue that is selected, in ms, is at it. */
const AT_CUE_MS = 60

export function createSelection(
  lesson: Readonly<Ref<Lesson>>,
  { part }: Places,
  { film, mediaMs, durationMs, seek }: Playhead,
) {
  const cues = computed(() => (part.value ? cuesInOrder(lesson.value, part.value.id) : []))
  /** What is selected, in the order in which it was; the sheet shows the last. */
  const selectedIds = shallowRef<readonly string[]>([])
  /** The cue that was placed last, whose words are to be written next; each placing tells it anew. */
  const placed = shallowRef<{ id: string } | null>(null)
  /** Whether the sheet of a selected cue is open. */
  const sheetOpen = ref(false)
  const selectedCues = computed(() =>
    selectedIds.value.flatMap((id) => lesson.value.cues[id] ?? []),
  )
  const selected = computed(() => selectedCues.value.at(-1) ?? null)
  const selectedId = computed(() => selected.value?.id ?? null)
  /** Whether a cue lies past the film's end, as after a shorter film took the place of the first. */
  const isBeyondEnd = (cue: Cue) => durationMs.value > 0 && cueEndMs(cue) > durationMs.value

  /** Goes to the cue before or after the moment shown, and selects it. */
  function toCue(direction: 1 | -1): void {
    const at = mediaMs.value
    const isSelected = (id: string) => id === selectedId.value
    const list = cues.value
    const here = list.findIndex(
      (cue) => isSelected(cue.id) && Math.abs(cueStartMs(cue) - at) < AT_CUE_MS,
    )
    const next =
      here >= 0
        ? list[here + direction]
        : direction > 0
          ? list.find((cue) => cueStartMs(cue) > at)
          : list.findLast((cue) => cueStartMs(cue) < at)
    if (next) select(next.id, true)
  }

  /** Selects one cue, or none; `extend` adds it to the others, or takes it from among them. */
  function select(id: string | null, goThere = false, extend = false): void {
    const others = selectedIds.value.filter((other) => other !== id)
    const isRemoved = extend && others.length < selectedIds.value.length
    selectedIds.value = id === null ? [] : isRemoved ? others : extend ? [...others, id] : [id]
    sheetOpen.value = selectedIds.value.length > 0
    if (isRemoved) return
    const cue = id ? lesson.value.cues[id] : undefined
    if (!cue || !goThere) return
    // Whoever goes to an overlay wants to see it: inside its time the playhead stays.
    const inside = cue.kind === 'overlay' && isShownAt(cue, mediaMs.value)
    if (!inside) {
      film.value?.pause()
      seek(cueStartMs(cue))
    }
  }

  /** Several at once, as a marquee or “all” selects them. */
  function selectMany(ids: readonly string[]): void {
    selectedIds.value = ids
  }
  return {
    cues,
    selectedIds,
    selectedCues,
    selectedId,
    selected,
    placed,
    sheetOpen,
    isBeyondEnd,
    toCue,
    select,
    selectMany,
  }
}
export type Selection = ReturnType<typeof createSelection>
