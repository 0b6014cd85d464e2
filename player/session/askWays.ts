// Asking the server which ways are open, until it answers: a learner who waits at a fork or at the end of a part goes on as
// soon as there is a connection.
import { onScopeDispose, ref, watch, type Ref } from 'vue'
import type { Judged } from '@fernbrake/core/routes'
import type { Host } from '../hosts/Host.ts'

/** Asked again after so many ms. */
const AGAIN_MS = 3000

/** Asks about a place for as long as there is one; `failed` tells that it could not be asked yet. */
export function askWays(
  host: Pick<Host, 'ways'>,
  place: () => string | null,
  take: (placeId: string, judged: Judged) => void,
): { failed: Readonly<Ref<boolean>> } {
  const failed = ref(false)
  let timer: ReturnType<typeof setTimeout> | undefined
  async function ask(placeId: string): Promise<void> {
    clearTimeout(timer)
    const judged = await host.ways(placeId).catch(() => null)
    if (place() !== placeId) return
    failed.value = judged === null
    if (judged) take(placeId, judged)
    else timer = setTimeout(() => void ask(placeId), AGAIN_MS)
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
