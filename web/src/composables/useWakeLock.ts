/** Keep the screen lit while the component is shown; asked for again when the page comes back. */
import { onMounted, onScopeDispose, ref } from 'vue'

export function useWakeLock() {
  const isHeld = ref(false)
  let lock: WakeLockSentinel | null = null
  let gone = false
  async function hold() {
    if (gone || document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return
    lock = await navigator.wakeLock.request('screen').catch(() => null)
    isHeld.value = lock !== null
    lock?.addEventListener('release', () => (isHeld.value = false))
    if (gone) void lock?.release()
  }
  onMounted(hold)
  document.addEventListener('visibilitychange', hold)
  onScopeDispose(() => {
    gone = true
    document.removeEventListener('visibilitychange', hold)
    void lock?.release()
  })
  return { isHeld }
}
