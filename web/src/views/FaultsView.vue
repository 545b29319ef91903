<script setup lang="ts">
/** Faults and remedies: what each looks like, why, what to do now, what to practise; and how a runway deceives. */
import { labels, say } from '@/said'
import { useQuery } from '@tanstack/vue-query'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '@/api/calls'
import type { Fault } from '@/api/types'
import { catalogueQuery, syllabusQuery } from '@/api/queries'
import Loading from '@/components/Loading.vue'

const route = useRoute()
const catalogue = useQuery(catalogueQuery)
const syllabus = useQuery(syllabusQuery)
const here = ref<number | null>(null)
const home = ref<number | null>(null)
const faults = useQuery(
  computed(() => ({ queryKey: ['faults', here.value, home.value], queryFn: () => api.faults(here.value, home.value) })),
)
const list = useQuery({ queryKey: ['faults'], queryFn: () => api.faults(null, null) })
/** By where in the lap it is seen, and by what is looked for. */
const wanted = ref('')
const WHERE = labels<Fault['where']>({
  takeoff: 'common.takeoff',
  pattern: 'common.pattern',
  final: 'common.final',
  touched: 'common.touched',
  roll: 'calls.roll',
  around: 'calls.around',
})
const matches = (one: Fault) => {
  const text = [one.name, one.looks, ...one.causes, ...one.now, one.practise_words].join(' ').toLowerCase()
  return wanted.value
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word))
}
const groups = computed(() =>
  (Object.keys(WHERE) as Fault['where'][])
    .map((where) => ({
      where,
      label: WHERE[where],
      faults: (list.data.value?.faults ?? []).filter((one) => one.where === where && matches(one)),
    }))
    .filter((group) => group.faults.length),
)
const nameOf = (code: string) => syllabus.data.value?.exercises.find((one) => one.code === code)?.name ?? code
/** Who was sent to one fault comes to it, as soon as it is drawn. */
async function goThere() {
  await nextTick()
  if (route.hash) document.getElementById(route.hash.slice(1))?.scrollIntoView()
}
onMounted(goThere)
watch(list.data, goThere, { flush: 'post' })
</script>

<template>
  <Loading v-if="!list.data.value" :error="list.error.value" :retry="list.refetch" />
  <div v-else class="mx-auto max-w-4xl space-y-4">
    <h1 class="text-2xl font-bold">{{ say('common.faults-and-remedies') }}</h1>
    <p>{{ say('faults.in-the-air-one-thing') }}</p>
    <label class="block">
      <span class="heading">{{ say('faults.look-for') }}</span>
      <input v-model.trim="wanted" type="search" class="field" maxlength="60" />
    </label>
    <nav class="space-y-2" :aria-label="say('faults.faults')">
      <div v-for="group in groups" :key="group.where">
        <span class="heading">{{ group.label }}</span>
        <p class="flex flex-wrap gap-x-4">
          <a
            v-for="one in group.faults"
            :key="one.code"
            :href="`#${one.code}`"
            class="inline-flex min-h-11 items-center font-bold underline"
            >{{ one.name }}</a
          >
        </p>
      </div>
      <p v-if="!groups.length" role="status">{{ say('faults.nothing-found') }}</p>
    </nav>
    <section class="panel" aria-labelledby="deceives">
      <h2 id="deceives" class="text-lg font-bold">{{ say('faults.how-a-runway-deceives') }}</h2>
      <div class="mt-1 grid gap-3 sm:grid-cols-2">
        <label class="block">
          <span class="heading">{{ say('faults.you-are-used-to') }}</span>
          <select v-model="home" class="field">
            <option :value="null">{{ say('faults.choose') }}</option>
            <optgroup v-for="field in catalogue.data.value?.airfields" :key="field.id" :label="field.name">
              <option v-for="end in field.ends" :key="end.id" :value="end.id">{{ field.name }} {{ end.ident }}</option>
            </optgroup>
          </select>
        </label>
        <label class="block">
          <span class="heading">{{ say('faults.you-fly-to') }}</span>
          <select v-model="here" class="field">
            <option :value="null">{{ say('faults.choose') }}</option>
            <optgroup v-for="field in catalogue.data.value?.airfields" :key="field.id" :label="field.name">
              <option v-for="end in field.ends" :key="end.id" :value="end.id">{{ field.name }} {{ end.ident }}</option>
            </optgroup>
          </select>
        </label>
      </div>
      <ul v-if="faults.data.value?.illusions.length" class="mt-2 space-y-1 text-lg">
        <li v-for="words in faults.data.value.illusions" :key="words">{{ words }}</li>
      </ul>
      <p class="mt-1 text-sm text-soft">
        {{ say('faults.dark-ground-haze-and-rain') }}
      </p>
    </section>
    <article
      v-for="one in groups.flatMap((group) => group.faults)"
      :id="one.code"
      :key="one.code"
      class="panel space-y-2"
    >
      <h2 class="text-xl font-bold">{{ one.name }}</h2>
      <p>{{ one.looks }}</p>
      <div class="grid gap-4 sm:grid-cols-2">
        <div>
          <h3 class="heading">{{ say('faults.usually-because') }}</h3>
          <ul class="list-disc pl-5">
            <li v-for="line in one.causes" :key="line">{{ line }}</li>
          </ul>
        </div>
        <div class="border-l-4 border-spot pl-3">
          <h3 class="heading">{{ say('faults.now-in-the-air') }}</h3>
          <ul class="list-disc pl-5">
            <li v-for="line in one.now" :key="line">{{ line }}</li>
          </ul>
        </div>
      </div>
      <p>
        <b>{{ say('faults.practise') }}</b> {{ one.practise_words }}
        <span class="text-soft">({{ one.practise.map(nameOf).join('; ') }})</span>
      </p>
    </article>
  </div>
</template>
