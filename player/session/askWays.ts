// Asking the server which ways are open, until it answers: a learner who waits at a fork or at the end of a part goes on as
// soon as there is a connection.
import { onScopeDispose, ref, watch, type Ref } from 'vue'
import { pauseAfter } from '@fernbrake/core/fields'
import type { Judged } from '@fernbrake/core/routes'
import type { Host } from '../hosts/Host.ts'

/** A film stands still meanwhile, so it is asked again soon. */
const PAUSES = { firstMs: 2000, mostMs: 10_000 }

/** Asks about a place for as long as there is one; `failed` tells that it could not be asked yet. */
export function askWays(
  host: Pick<Host, 'ways'>,
  place: () => string | null,
  take: (placeId: string, judged: Judged) => void,
): { failed: Readonly<Ref<boolean>> } {
  const failed = ref(false)
  let timer: ReturnType<typeof setTimeout> | undefined
  async function ask(placeId: string, failures = 0): Promise<void> {
    clearTimeout(timer)
    const judged = await host.ways(placeId).catch(() => null)
    if (place() !== placeId) return
    failed.value = judged === null
    if (judged) take(placeId, judged)
    else timer = setTimeout(() => void ask(placeId, failures + 1), pauseAfter(failures + 1, PAUSES))
  }
  watch(
    place,
    (placeId) => {
      clearTimeout(timer)
      failed.value = false
      if (placeId !== null) void ask(placeId)
    },
    { immediate: true },
  )
  onScopeDispose(() => clearTimeout(timer))
  return { failed }
}
