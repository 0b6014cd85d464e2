// Carrying something out on the server: whether it is under way, and what went wrong.
import { ref, shallowRef } from 'vue'

export function useAct() {
  const busy = ref(false)
  const fault = shallowRef<unknown>(null)
  /** Answers whether it was carried out. */
  async function act(carryOut: () => Promise<void>): Promise<boolean> {
    busy.value = true
    fault.value = null
    try {
      await carryOut()
      return true
    } catch (error) {
      fault.value = error
      return false
    } finally {
      busy.value = false
    }
  }
  return { busy, fault, act }
}
