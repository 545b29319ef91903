<script setup lang="ts">
/** The recorded flights of the sortie: replayed, brought as a file, or measured from what the tablet noted. */
import { say } from '@/said'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { api } from '@/api/calls'
import { tracksQuery } from '@/api/queries'
import { useSync } from '@/offline/sync'
import { clock } from '@/words'

const props = defineProps<{ sortieId: number; mayChange: boolean }>()
const sync = useSync()
const flights = useQuery({ ...tracksQuery, retry: false })
const ofSortie = computed(() => flights.data.value?.tracks.filter((one) => one.sortie_id === props.sortieId) ?? [])
const pieces = useQuery({
  queryKey: ['pieces', props.sortieId],
  queryFn: () => api.tracks(props.sortieId),
  retry: false,
})
watch(
  () => sync.pieces,
  () => void pieces.refetch(),
) // one that waited on this device has been sent
const router = useRouter()
const problem = ref('')
async function measure() {
  try {
    const line = await api.measureFromTablet(props.sortieId)
    await router.push({ name: 'track', params: { track: line.id } })
  } catch (error) {
    problem.value = error instanceof Error ? error.message : say('debrief.it-could-not-be-measured')
  }
}
</script>

<template>
  <section
    v-if="flights.data.value"
    class="panel flex flex-wrap items-center gap-x-4 gap-y-2 !py-2"
    :aria-label="say('debrief.recorded-flight')"
  >
    <b>{{ say('debrief.recorded-flight') }}</b>
    <RouterLink
      v-for="one in ofSortie"
      :key="one.id"
      :to="{ name: 'track', params: { track: one.id } }"
      class="button button-main"
    >
      {{
        say('debrief.replay', {
          name: one.begun_at
            ? say('debrief.to', { begun_at: clock(one.begun_at, ''), ended_at: clock(one.ended_at!) })
            : one.name,
        })
      }}
    </RouterLink>
    <span v-if="!ofSortie.length" class="text-soft">{{ say('debrief.none-yet') }}</span>
    <RouterLink v-if="mayChange" :to="{ name: 'tracks' }" class="button">{{ say('debrief.bring-a-file') }}</RouterLink>
    <button
      v-if="mayChange && !ofSortie.length && pieces.data.value?.tracks.length"
      type="button"
      class="button"
      @click="measure"
    >
      {{ say('debrief.measure-from-the-tablets-own') }}
    </button>
    <span v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</span>
  </section>
</template>
