/** Width of an element, followed as it changes. */
import { onScopeDispose, ref, watch, type Ref } from 'vue'

export function useWidth(element: Ref<HTMLElement | null>) {
  const width = ref(0)
  const observer = new ResizeObserver(([entry]) => {
    if (entry) width.value = Math.round(entry.contentRect.width)
  })
  watch(element, (now, before) => {
    if (before) observer.unobserve(before)
    if (now) observer.observe(now)
  }, { immediate: true })
  onScopeDispose(() => observer.disconnect())
  return width
}
