<script setup lang="ts">
/** Who did what and when: the chief reads it, nobody changes it. */
import { say } from '@/said'
import { ref, watch } from 'vue'
import { api } from '@/api/calls'
import { clock, day } from '@/words'

type What = NonNullable<Parameters<typeof api.deeds>[0]>
const KINDS: readonly { value: What | ''; label: string }[] = [
  { value: '', label: say('deeds.everything') },
  { value: 'sign_in', label: say('deeds.sign-ins') },
  { value: 'people', label: say('deeds.people-and-passwords') },
  { value: 'limits', label: say('deeds.limits-and-rules') },
  { value: 'standards', label: say('common.standards') },
  { value: 'syllabus', label: say('common.syllabus') },
  { value: 'laps', label: say('deeds.corrected-laps') },
  { value: 'sign_offs', label: say('deeds.sign-offs') },
  { value: 'exports', label: say('deeds.taken-out') },
  { value: 'erasure', label: say('common.erased') },
]
const what = ref<What | ''>('')
const rows = ref<Awaited<ReturnType<typeof api.deeds>>['deeds']>([])
const before = ref<number | null>(null)
const problem = ref('')
async function read(from: number | null) {
  problem.value = ''
  try {
    const page = await api.deeds(what.value || null, from)
    rows.value = from === null ? page.deeds : [...rows.value, ...page.deeds]
    before.value = page.before
  } catch (error) {
    problem.value = error instanceof Error ? error.message : say('deeds.it-could-not-be-read')
  }
}
watch(what, () => void read(null), { immediate: true })
</script>

<template>
  <div class="mx-auto max-w-4xl space-y-3">
    <div class="flex flex-wrap items-center gap-3">
      <h1 class="flex-1 text-2xl font-bold">{{ say('common.who-did-what') }}</h1>
      <label class="flex items-center gap-2">
        <span class="heading">{{ say('deeds.show') }}</span>
        <select v-model="what" class="field !w-auto">
          <option v-for="one in KINDS" :key="one.value" :value="one.value">{{ one.label }}</option>
        </select>
      </label>
    </div>
    <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
    <p v-if="!rows.length && !problem" class="panel text-soft">{{ say('deeds.nothing-of-this-kind-yet') }}</p>
    <ol v-else class="panel divide-y divide-line">
      <li v-for="one in rows" :key="one.id" class="grid gap-x-4 py-1 sm:grid-cols-[11rem_12rem_1fr]">
        <span class="figure text-sm">{{ day(one.done_at.slice(0, 10)) }}, {{ clock(one.done_at) }}</span>
        <b>{{ one.by_name }}</b>
        <span>{{ one.words }}</span>
      </li>
    </ol>
    <button v-if="before !== null" type="button" class="button" @click="read(before)">
      {{ say('common.show-older-ones') }}
    </button>
    <p class="text-sm text-soft">{{ say('deeds.nothing-here-can-be-changed') }}</p>
  </div>
</template>
