/** A newer version of the application waits until the user says so. */
import { ref } from 'vue'
import { registerSW } from 'virtual:pwa-register'

const isWaiting = ref(false)
let takeIt: ((reload: boolean) => Promise<void>) | null = null

/** Let the browser keep the application, so that it opens without a network. */
export function keepApplication() {
  if (!('serviceWorker' in navigator) || !window.isSecureContext) return
  takeIt = registerSW({ onNeedRefresh: () => (isWaiting.value = true) })
}

export function useUpdate() {
  return { isWaiting, take: () => void takeIt?.(true) }
}
