<script setup lang="ts">
/** The sortie that a recorded flight was, made of what the recording knows, in one step. */
import { say } from '@/said'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '@/api/calls'
import { catalogueQuery, proposalQuery } from '@/api/queries'
import type { LandingKind, Track } from '@/api/types'
import { useWrite } from '@/composables/useWrite'
import { clock, day, examines, LANDING_LABEL, round, TAILWHEEL_ONLY } from '@/words'

const props = defineProps<{ fileId: string; track: Track; isOpen: boolean }>()
const router = useRouter()
const client = useQueryClient()
const catalogue = useQuery(catalogueQuery)
const proposed = useQuery(proposalQuery(null))
const students = computed(() => catalogue.data.value?.people.filter((one) => one.role === 'student') ?? [])
const form = reactive({ student_id: 0, aircraft_id: 0, standard_id: 0, landing: 'normal' as LandingKind })
watch(
  [catalogue.data, proposed.data],
  ([all, start]) => {
    if (!all || !start || form.student_id) return
    Object.assign(form, {
      student_id: start.student_id ?? 0,
      aircraft_id: start.aircraft_id ?? all.aircraft[0]?.id ?? 0,
      standard_id: start.standard_id ?? all.standards[0]?.id ?? 0,
      landing: start.landing,
    })
  },
  { immediate: true },
)
const standard = computed(() => catalogue.data.value?.standards.find((one) => one.id === form.standard_id)?.spec)
const landings = computed(() =>
  (Object.keys(LANDING_LABEL) as LandingKind[]).filter(
    (kind) => standard.value && examines(standard.value, kind) && !TAILWHEEL_ONLY.includes(kind),
  ),
)
const wind = computed(() => [...props.track.wind].sort((a, b) => a.uncertainty_kt - b.uncertainty_kt)[0])
const begun = computed(() => props.track.track.begun_at)
const { write, problem, fields, isBusy } = useWrite({
  refresh: () => client.invalidateQueries({ queryKey: ['sorties'] }),
  otherwise: say('replay.the-sortie-was-not-made'),
})
async function make() {
  const written = await write({ call: () => api.makeFlownSortie(props.fileId, { ...form }) })
  if (!written) return
  await client.invalidateQueries({ queryKey: ['track', props.fileId] })
  await router.push({ name: 'debrief', params: { id: written.answer.sortie_id } })
}
</script>

<template>
  <details :open="isOpen" class="rounded border border-line px-3">
    <summary class="min-h-11 cursor-pointer font-bold leading-[44px]">
      {{ say('replay.make-its-sortie-from-the') }}
    </summary>
    <p v-if="begun">
      {{ say('replay.laps', { begun: day(begun.slice(0, 10)), begun_2: clock(begun), laps: track.laps.length }) }}
      <template v-if="wind">
        {{
          say('replay.wind-by-its-turns-at', {
            from_deg_true: round(wind.from_deg_true),
            speed_kt: round(wind.speed_kt),
            uncertainty_kt: round(wind.uncertainty_kt),
          })
        }}
      </template>
      <template v-else>{{ say('replay.its-turns-tell-no-wind') }}</template>
      {{ say('replay.temperature-and-pressure-are-taken') }}
    </p>
    <form class="grid gap-3 py-2 sm:grid-cols-4" @submit.prevent="make">
      <label class="block">
        <span class="heading">{{ say('common.student') }}</span>
        <select v-model="form.student_id" class="field">
          <option v-for="one in students" :key="one.id" :value="one.id">{{ one.name }}</option>
        </select>
      </label>
      <label class="block">
        <span class="heading">{{ say('common.aircraft') }}</span>
        <select v-model="form.aircraft_id" class="field">
          <option v-for="one in catalogue.data.value?.aircraft" :key="one.id" :value="one.id">{{ one.name }}</option>
        </select>
      </label>
      <label class="block">
        <span class="heading">{{ say('common.standard') }}</span>
        <select v-model="form.standard_id" class="field">
          <option v-for="one in catalogue.data.value?.standards" :key="one.id" :value="one.id">{{ one.name }}</option>
        </select>
      </label>
      <label class="block">
        <span class="heading">{{ say('common.landing') }}</span>
        <select v-model="form.landing" class="field">
          <option v-for="one in landings" :key="one" :value="one">{{ LANDING_LABEL[one] }}</option>
        </select>
      </label>
      <p v-if="problem" role="alert" class="font-bold text-fail-ink sm:col-span-4">
        {{ Object.values(fields)[0] ?? problem }}
      </p>
      <button type="submit" class="button button-main sm:col-span-4 sm:justify-self-start" :disabled="isBusy">
        {{ say('replay.make-the-sortie-and-take') }}
      </button>
    </form>
  </details>
</template>
