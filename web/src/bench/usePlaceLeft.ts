// Whoever comes back to a bench from another page stands where they left it: part, moment, what was selected, and the desk.
import { onMounted, onScopeDispose } from 'vue'
import type { PlaceLeft } from './shared/placeLeft.ts'
import type { Bench } from './useBench.ts'

function noteIn({ places, playhead, selection, desk }: Bench): PlaceLeft {
  return {
    partId: places.openPart.value?.id ?? null,
    thingId: places.thingId.value,
    atMs: playhead.mediaMs.value,
    cueIds: selection.selectedIds.value,
    sheetOpen: selection.sheetOpen.value,
    desk: desk.value,
  }
}

/** `asked` is the part that the address asks for; where that is another, its beginning is shown. */
export function usePlaceLeft(bench: Bench, asked: string | null): void {
  const { draft, places, playhead, selection, desk } = bench
  const { left } = draft
  onScopeDispose(() => (draft.left = noteIn(bench)))
  if (!left?.partId || (asked !== null && asked !== left.partId)) return
  places.goToPart(left.partId)
  places.thingId.value = left.thingId
  desk.value = left.desk
  onMounted(() => {
    selection.selectMany(left.cueIds.filter((id) => draft.lesson.value.cues[id]))
    selection.sheetOpen.value = left.sheetOpen
    playhead.seek(left.atMs)
  })
}
