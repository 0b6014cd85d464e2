// A class on the screen: read once, then taken as the server answers after every change.
import { shallowRef } from 'vue'
import type { Class } from '@fernbrake/core/contract'
import { call } from '../api/client.ts'
import { useLoaded } from '../ui/useLoaded.ts'

export function useClass(classId: string) {
  const loaded = useLoaded<Class>(() => call('class', { params: { classId } }))
  const fault = shallowRef<unknown>(null)
  const busy = shallowRef(false)

  /** Carries a change out and shows the class as it is then; answers whether it held. */
  async function change(carryOut: () => Promise<Class>): Promise<boolean> {
    fault.value = null
    busy.value = true
    try {
      loaded.value.value = await carryOut()
      return true
    } catch (caught) {
      fault.value = caught
      return false
    } finally {
      busy.value = false
    }
  }
  return { ...loaded, fault, busy, change }
}

export type ClassDesk = ReturnType<typeof useClass>
