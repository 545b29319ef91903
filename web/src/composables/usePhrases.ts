/** The instructor's own phrases: what was typed once is a tap the next time, the latest first. */
import { computed, ref } from 'vue'
import { PHRASES } from '@/marks'
import { device, fromDevice } from '@/offline/device'

const MOST = 9

export function usePhrases() {
  const own = ref<string[]>([])
  void fromDevice(() => device.own.get('phrases'), undefined).then((row) => (own.value = (row?.value as string[]) ?? []))
  const phrases = computed(() => [...new Set([...own.value, ...PHRASES])].slice(0, MOST))
  function used(phrase: string) {
    own.value = [phrase, ...own.value.filter((one) => one !== phrase)].slice(0, MOST)
    void fromDevice(() => device.own.put({ key: 'phrases', value: [...own.value] }), '')
  }
  return { phrases, used }
}
