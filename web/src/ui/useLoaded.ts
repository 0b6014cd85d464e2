// Loading something for a view: the value, whether it is still coming, and what went wrong.
import { getCurrentInstance, onMounted, onScopeDispose, ref, shallowRef } from 'vue'
import { onBroughtBack } from '../api/broughtBack.ts'

export function useLoaded<T>(load: () => Promise<T>) {
  const value = shallowRef<T | null>(null)
  const error = shallowRef<unknown>(null)
  const loading = ref(true)
  let asked = 0
  /** Of several at once the latest counts, in whatever order they are answered. */
  async function reload(): Promise<void> {
    asked += 1
    const turn = asked
    loading.value = true
    error.value = null
    try {
      const loaded = await load()
      if (turn === asked) value.value = loaded
    } catch (caught) {
      if (turn === asked) error.value = caught
    } finally {
      if (turn === asked) loading.value = false
    }
  }
  // Outside of a component, whoever wants it asks for it.
  if (getCurrentInstance()) {
    onMounted(reload)
    onScopeDispose(onBroughtBack(() => void reload()))
  }
  return { value, error, loading, reload }
}
