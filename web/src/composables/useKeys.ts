/** Keys that work on the whole page while the component that named them is shown; never while typing. */
import { onScopeDispose } from 'vue'

export function useKeys(keys: Record<string, () => void>, target: Window = window) {
  function press(event: KeyboardEvent) {
    const at = event.target as HTMLElement | null
    if (event.ctrlKey || event.metaKey || event.altKey) return
    if (at?.closest('input:not([type=range]), select, textarea, [contenteditable]')) return
    const act = keys[event.key] ?? keys[event.key.toLowerCase()]
    if (!act) return
    event.preventDefault()
    act()
  }
  target.addEventListener('keydown', press)
  onScopeDispose(() => target.removeEventListener('keydown', press))
}
