<script setup lang="ts">
/** Today's sorties, and the ones before. */
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { sessionQuery, sortiesQuery } from '@/api/queries'
import Loading from '@/components/Loading.vue'
import { useKeys } from '@/composables/useKeys'
import { day, LANDING_LABEL, today, windWords } from '@/words'

const sorties = useQuery(sortiesQuery)
const session = useQuery(sessionQuery)
const mayPlan = computed(() => session.data.value?.person?.role !== 'student')
const wanted = ref('')
const find = ref<HTMLInputElement | null>(null)
const found = computed(() => {
  const text = wanted.value.trim().toLowerCase()
  return (sorties.data.value?.sorties ?? []).filter((one) =>
    `${one.student_name} ${one.instructor_name} ${one.aircraft_name} ${one.airfield} ${one.runway_ident} ${LANDING_LABEL[one.landing]}`
      .toLowerCase()
      .includes(text),
  )
})
const groups = computed(() => {
  const now = today()
  return [
    { title: 'Today', rows: found.value.filter((one) => one.planned_on === now) },
    { title: 'Coming', rows: found.value.filter((one) => one.planned_on > now) },
    { title: 'Before', rows: found.value.filter((one) => one.planned_on < now) },
  ].filter((group) => group.rows.length || group.title === 'Today')
})
useKeys({ '/': () => find.value?.focus() })
</script>

<template>
  <Loading v-if="!sorties.data.value" :error="sorties.error.value" :retry="sorties.refetch" />
  <div v-else>
    <div class="mb-3 flex flex-wrap items-center gap-3">
      <h1 class="text-2xl font-bold">Sorties</h1>
      <span class="flex-1" />
      <label for="find" class="sr-only">Find a sortie</label>
      <input id="find" ref="find" v-model="wanted" class="field !w-56" type="search" placeholder="Find: name, field…" />
      <RouterLink v-if="mayPlan" to="/sorties/new" class="button button-main">New sortie</RouterLink>
    </div>
    <section v-for="group in groups" :key="group.title" class="mb-5" :aria-label="group.title">
      <h2 class="mb-1 text-lg font-bold text-soft">{{ group.title }}</h2>
      <p v-if="!group.rows.length" class="panel text-soft">
        {{ wanted ? 'Nothing found for today.' : mayPlan ? 'Nothing planned. Make a new sortie.' : 'Nothing planned.' }}
      </p>
      <ul class="space-y-2">
        <li v-for="one in group.rows" :key="one.id">
          <RouterLink
            :to="{ name: one.laps ? 'debrief' : 'landing', params: { id: one.id } }"
            class="panel grid min-h-16 items-center gap-x-4 gap-y-0.5 hover:border-ink sm:grid-cols-[1.3fr_1fr_1.6fr_7rem]"
          >
            <span>
              <span class="block text-lg font-bold">{{ one.student_name }}</span>
              <span class="text-sm text-soft">with {{ one.instructor_name }}</span>
            </span>
            <span>
              <span class="block font-bold">{{ LANDING_LABEL[one.landing] }}</span>
              <span class="text-sm text-soft">{{ one.standard_name }}</span>
            </span>
            <span>
              <span class="block">
                {{ one.airfield }} {{ one.runway_ident }} · {{ one.aircraft_name }}
                <span v-if="one.airfield_is_fictional" class="text-sm text-soft">(fictional)</span>
              </span>
              <span class="text-sm text-soft">wind {{ windWords(one) }}</span>
            </span>
            <span class="sm:text-right">
              <span class="block font-bold">
                {{ one.laps ? `${one.laps} lap${one.laps === 1 ? '' : 's'}` : 'not flown' }}
              </span>
              <span class="text-sm text-soft">{{ day(one.planned_on) }}</span>
            </span>
          </RouterLink>
        </li>
      </ul>
    </section>
  </div>
</template>
