/** Time how long something is held; the clock is an option so that a test can hand in its own. */
import { onScopeDispose, ref } from 'vue'

export interface HoldTimerOptions {
  now?: () => number
  onEnd: (seconds: number) => void
}

export function useHoldTimer(options: HoldTimerOptions) {
  const { now = () => performance.now(), onEnd } = options
  const seconds = ref(0)
  const isHeld = ref(false)
  let began = 0
  let ticking: number | undefined
  function start() {
    if (isHeld.value) return
    began = now()
    seconds.value = 0
    isHeld.value = true
    ticking = window.setInterval(() => (seconds.value = (now() - began) / 1000), 100)
  }
  function stop() {
    if (!isHeld.value) return
    window.clearInterval(ticking)
    isHeld.value = false
    seconds.value = Math.round((now() - began) / 100) / 10
    // shorter than any hold-off: a slip of the thumb
    if (seconds.value >= 0.3) onEnd(Math.min(60, seconds.value))
  }
  onScopeDispose(() => window.clearInterval(ticking))
  return { seconds, isHeld, start, stop }
}
