/** The wind that was read last while flying; null: it is as the sortie has it. */
import { useQuery } from '@tanstack/vue-query'
import { liveQuery } from 'dexie'
import { computed, onScopeDispose, shallowRef, type Ref } from 'vue'
import { lapsQuery } from '@/api/queries'
import type { LapIn, Sortie } from '@/api/types'
import { device } from '@/offline/device'
import { shownLaps, type ShownLap } from '@/offline/shown'
import { useSync } from '@/offline/sync'
import type { WindRead } from '@/offline/wind'
import { wholeDirection } from '@/words'

/** Of laps and of the one that is being flown; a wind that was given for the sortie since then counts before it. */
export function windReadOf(
  sortie: Sortie | undefined,
  shown: readonly ShownLap[],
  draft: Partial<LapIn>,
): WindRead | null {
  const given = Date.parse(sortie?.weather_at ?? '') || 0
  const read = [...shown.map((one) => one.values), { flown_at: null, ...draft }]
    .filter((one) => one.wind_kt != null && (!one.flown_at || Date.parse(one.flown_at) >= given))
    .at(-1)
  if (!sortie || read?.wind_kt == null) return null
  const wind = { from_deg_mag: read.wind_dir_deg_mag ?? null, kt: read.wind_kt, gust_kt: read.gust_kt ?? null }
  const isTheSorties =
    sortie.wind_kt === wind.kt &&
    wholeDirection(sortie.wind_dir_deg_mag) === wholeDirection(wind.from_deg_mag) &&
    sortie.gust_kt === wind.gust_kt
  return isTheSorties ? null : wind
}

/** The same for a screen that records nothing itself. */
export function useWindRead(id: number, sortie: Ref<Sortie | undefined>): Ref<WindRead | null> {
  const laps = useQuery(lapsQuery(id))
  const sync = useSync()
  const draft = shallowRef<Partial<LapIn>>({})
  const watching = liveQuery(() => device.drafts.get(id)).subscribe({
    next: (row) => (draft.value = row?.values ?? {}),
    error: () => undefined, // a browser that keeps nothing has no draft either
  })
  onScopeDispose(() => watching.unsubscribe())
  const shown = computed(() =>
    shownLaps(
      laps.data.value?.laps ?? [],
      sync.waiting.filter((one) => one.sortie_id === id),
    ),
  )
  return computed(() => windReadOf(sortie.value, shown.value, draft.value))
}
