// What the address says besides the place: which part is open, what is picked.
import { nextTick } from 'vue'
import { useRoute, useRouter } from 'vue-router'

type Change = Record<string, string | undefined>
/** Changes of one moment, made together: a second one would else begin with an address that lacks the first. */
let waiting: Change | null = null

/** Gives a function that writes into the query of the address, in place of what stands there; `undefined` takes out. */
export function useQuery(): (change: Change) => void {
  const route = useRoute()
  const router = useRouter()
  return (change) => {
    if (waiting) return void Object.assign(waiting, change)
    waiting = { ...change }
    void nextTick(() => {
      const query = { ...route.query, ...waiting }
      waiting = null
      void router.replace({ query })
    })
  }
}
