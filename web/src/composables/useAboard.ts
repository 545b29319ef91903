/** The copy of a sortie on this device, as it changes; null when it was not taken along. */
import { liveQuery } from 'dexie'
import { onScopeDispose, shallowRef, type Ref } from 'vue'
import { aboardOf } from '@/offline/aboard'
import { device, type AboardRow } from '@/offline/device'

export function useAboard(sortieId: number): Ref<AboardRow | null> {
  const row = shallowRef<AboardRow | null>(null)
  const watching = liveQuery(async () => {
    await device.aboard.get(sortieId) // what is watched
    return aboardOf(sortieId)
  }).subscribe({ next: (found) => (row.value = found), error: () => undefined })
  onScopeDispose(() => watching.unsubscribe())
  return row
}
