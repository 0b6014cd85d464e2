// Whether there is room for one column only.
import { onScopeDispose, ref, type Ref } from 'vue'

/** True up to this width, in pixels; kept up to date. */
export function useNarrow(pixels: number): Readonly<Ref<boolean>> {
  const query = matchMedia(`(max-width: ${pixels}px)`)
  const narrow = ref(query.matches)
  const note = () => (narrow.value = query.matches)
  query.addEventListener('change', note)
  onScopeDispose(() => query.removeEventListener('change', note))
  return narrow
}
