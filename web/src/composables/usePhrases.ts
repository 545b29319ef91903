/** The instructor's own phrases: what was typed once is a tap the next time, the latest first. */
import { computed, ref, watch, type Ref } from 'vue'
import type { Person } from '@/api/types'
import { PHRASES } from '@/marks'
import { device, fromDevice } from '@/offline/device'

const MOST = 9

export function usePhrases(person: Ref<Person | null>) {
  const own = ref<string[]>([])
  const key = computed(() => `phrases ${person.value?.id ?? 0}`) // a tablet is shared
  watch(
    key,
    async (now) => {
      const row = await fromDevice(() => device.own.get(now), undefined)
      if (key.value === now) own.value = (row?.value as string[]) ?? []
    },
    { immediate: true },
  )
  const phrases = computed(() => [...new Set([...own.value, ...PHRASES])].slice(0, MOST))
  function used(phrase: string) {
    own.value = [phrase, ...own.value.filter((one) => one !== phrase)].slice(0, MOST)
    void fromDevice(() => device.own.put({ key: key.value, value: [...own.value] }), '')
  }
  return { phrases, used }
}
