<script setup lang="ts">
/** Practice on the ground: pictures and films of one's own runway and aircraft, and what they measured. */
import { say } from '@/said'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, onMounted, ref, watch } from 'vue'
import { api } from '@/api/calls'
import { catalogueQuery, sessionQuery } from '@/api/queries'
import type { PathDrill as Pictures, Practised, RoundoutDrill as Films } from '@/api/types'
import Loading from '@/components/Loading.vue'
import Stepper from '@/components/Stepper.vue'
import { send, sendWaiting } from '@/practise/kept'
import PathDrill from '@/practise/PathDrill.vue'
import PracticeLines from '@/practise/PracticeLines.vue'
import RoundoutDrill from '@/practise/RoundoutDrill.vue'

const PICTURES = 30
const client = useQueryClient()
const session = useQuery(sessionQuery)
const catalogue = useQuery(catalogueQuery)
const person = computed(() => session.data.value?.person ?? null)
const lines = useQuery({ queryKey: ['practice', 'own'], queryFn: () => api.practice(null) })
const endId = ref<number | null>(null)
const aircraftId = ref<number | null>(null)
const headwindKt = ref<number | null>(0)
watch(
  catalogue.data,
  (all) => {
    endId.value ??= all?.airfields[0]?.ends[0]?.id ?? null
    aircraftId.value ??= all?.aircraft[0]?.id ?? null
  },
  { immediate: true },
)
const pictures = ref<Pictures | null>(null)
const films = ref<Films | null>(null)
const result = ref<Practised | null>(null)
const problem = ref('')
const isKeptHere = ref(false)
onMounted(async () => {
  if (person.value) await sendWaiting(person.value.id)
  await client.invalidateQueries({ queryKey: ['practice'] })
})
async function begin(drill: 'path' | 'roundout') {
  if (endId.value === null || aircraftId.value === null) return
  result.value = null
  problem.value = ''
  isKeptHere.value = false
  const asked = { runway_end_id: endId.value, aircraft_id: aircraftId.value, headwind_kt: headwindKt.value ?? 0 }
  try {
    if (drill === 'path') pictures.value = await api.practicePath(asked)
    else films.value = await api.practiceRoundout(asked)
  } catch (error) {
    problem.value = (error as Error).message
  }
}
async function done(answers: readonly object[]) {
  const token = (pictures.value ?? films.value)!.token
  pictures.value = films.value = null
  try {
    const body = { token, answers: answers as Record<string, never>[] }
    result.value = await send(person.value?.id ?? 0, body)
    isKeptHere.value = result.value === null
  } catch (error) {
    problem.value = (error as Error).message
  }
  await client.invalidateQueries({ queryKey: ['practice'] })
}
const DRILLS = [
  { drill: 'path' as const, name: say('practice.path'), how: say('practice.path-how') },
  { drill: 'roundout' as const, name: say('practice.roundout'), how: say('practice.roundout-how') },
]
</script>

<template>
  <Loading v-if="!catalogue.data.value" :error="catalogue.error.value" :retry="catalogue.refetch" />
  <div v-else class="mx-auto max-w-5xl space-y-4">
    <h1 class="text-2xl font-bold">{{ say('practice.practice') }}</h1>
    <PathDrill v-if="pictures" :handed="pictures" :pictures="PICTURES" @done="done" />
    <RoundoutDrill v-else-if="films" :handed="films" @done="done" />
    <template v-else>
      <p>{{ say('practice.what-for') }}</p>
      <section v-if="result" class="panel border-l-8 !border-l-aim" :aria-label="say('practice.result')">
        <p class="heading">{{ say('practice.result') }}</p>
        <p v-for="words in result.words" :key="words" class="text-xl font-bold leading-snug">{{ words }}</p>
      </section>
      <p v-if="isKeptHere" role="status" class="font-bold">{{ say('practice.kept-here') }}</p>
      <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
      <div class="grid gap-3 sm:grid-cols-3">
        <label class="block">
          <span class="heading">{{ say('practice.runway') }}</span>
          <select v-model="endId" class="field">
            <optgroup v-for="field in catalogue.data.value.airfields" :key="field.id" :label="field.name">
              <option v-for="end in field.ends" :key="end.id" :value="end.id">{{ field.name }} {{ end.ident }}</option>
            </optgroup>
          </select>
        </label>
        <label class="block">
          <span class="heading">{{ say('practice.aircraft') }}</span>
          <select v-model="aircraftId" class="field">
            <option v-for="one in catalogue.data.value.aircraft" :key="one.id" :value="one.id">{{ one.name }}</option>
          </select>
        </label>
        <Stepper
          v-model="headwindKt"
          :label="say('practice.headwind')"
          unit="kt"
          :min="-10"
          :max="40"
          :step="1"
          :start="0"
        />
      </div>
      <div class="grid gap-4 sm:grid-cols-2">
        <section v-for="one in DRILLS" :key="one.drill" class="panel space-y-2" :aria-label="one.name">
          <h2 class="text-xl font-bold">{{ one.name }}</h2>
          <p>{{ one.how }}</p>
          <button type="button" class="button button-main !min-h-14" @click="begin(one.drill)">
            {{ say('practice.begin') }}<span class="sr-only">: {{ one.name }}</span>
          </button>
        </section>
      </div>
      <section class="panel" aria-labelledby="so-far">
        <h2 id="so-far" class="text-lg font-bold">{{ say('practice.so-far') }}</h2>
        <PracticeLines :lines="lines.data.value?.practised ?? []" />
      </section>
    </template>
  </div>
</template>
