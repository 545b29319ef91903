/** Keep the screen lit while the component is shown; asked for again when the page comes back. */
import { useWakeLock as useScreenLock } from '@vueuse/core'
import { onMounted, onScopeDispose } from 'vue'

export function useWakeLock() {
  const lock = useScreenLock()
  // refused on a low battery, say: then `isHeld` tells that the screen may go dark
  onMounted(() => lock.request('screen').catch(() => undefined))
  onScopeDispose(() => void lock.release().catch(() => undefined))
  return { isHeld: lock.isActive }
}
