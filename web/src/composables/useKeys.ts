/** Keys that work on the whole page while the component that named them is shown; never while typing. */
import { onKeyStroke } from '@vueuse/core'

export function useKeys(keys: Record<string, () => void>, target: Window = window) {
  const named = (event: KeyboardEvent) => keys[event.key] ?? keys[event.key.toLowerCase()]
  onKeyStroke(
    (event) => named(event) !== undefined,
    (event) => {
      const at = event.target as HTMLElement | null
      if (event.ctrlKey || event.metaKey || event.altKey) return
      if (at?.closest('input:not([type=range]), select, textarea, [contenteditable]')) return
      event.preventDefault()
      named(event)?.()
    },
    { target },
  )
}
