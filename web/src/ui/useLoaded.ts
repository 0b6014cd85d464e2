// Loading something for a view: the value, whether it is still coming, and what went wrong.
import { onMounted, ref, shallowRef } from 'vue'

export function useLoaded<T>(load: () => Promise<T>) {
  const value = shallowRef<T | null>(null)
  const error = shallowRef<unknown>(null)
  const loading = ref(true)
  async function reload(): Promise<void> {
    loading.value = true
    error.value = null
    try {
      value.value = await load()
    } catch (caught) {
      error.value = caught
    } finally {
      loading.value = false
    }
  }
  onMounted(reload)
  return { value, error, loading, reload }
}
