/** Width of an element in whole pixels, followed as it changes. */
import { useElementSize } from '@vueuse/core'
import { computed, type Ref } from 'vue'

export function useWidth(element: Ref<HTMLElement | null>) {
  const { width } = useElementSize(element)
  return computed(() => Math.round(width.value))
}
