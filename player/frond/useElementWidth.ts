// The width of an element, kept up to date.
import { onMounted, onScopeDispose, ref, type Ref } from 'vue'

/** The element's width in pixels; `initial` before it is mounted. */
export function useElementWidth(element: Ref<HTMLElement | null>, initial = 300): Ref<number> {
  const width = ref(initial)
  let observer: ResizeObserver | undefined
  onMounted(() => {
    if (!element.value) return
    // It is told before the first frame too, and without asking for a layout of its own.
    observer = new ResizeObserver(([entry]) => (width.value = entry!.contentRect.width))
    observer.observe(element.value)
  })
  onScopeDispose(() => observer?.disconnect())
  return width
}
