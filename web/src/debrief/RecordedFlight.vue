<script setup lang="ts">
/** The recorded flights of the sortie: replayed, brought as a file, or measured from what the tablet noted. */
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
    problem.value = error instanceof Error ? error.message : 'It could not be measured.'
  }
}
</script>

<template>
  <section
    v-if="flights.data.value"
    class="panel flex flex-wrap items-center gap-x-4 gap-y-2 !py-2"
    aria-label="Recorded flight"
  >
    <b>Recorded flight</b>
    <RouterLink
      v-for="one in ofSortie"
      :key="one.id"
      :to="{ name: 'track', params: { track: one.id } }"
      class="button button-main"
    >
      Replay {{ one.begun_at ? `${clock(one.begun_at, '')} to ${clock(one.ended_at!)}` : one.name }}
    </RouterLink>
    <span v-if="!ofSortie.length" class="text-soft">None yet.</span>
    <RouterLink v-if="mayChange" :to="{ name: 'tracks' }" class="button">Bring a file</RouterLink>
    <button
      v-if="mayChange && !ofSortie.length && pieces.data.value?.tracks.length"
      type="button"
      class="button"
      @click="measure"
    >
      Measure from the tablet’s own positions
    </button>
    <span v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</span>
  </section>
</template>
