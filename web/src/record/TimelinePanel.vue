<script setup lang="ts">
/** The sorties, latest first: what each ended with, and whether its one change was followed. */
import { say } from '@/said'
import { ref } from 'vue'
import { RouterLink } from 'vue-router'
import { api } from '@/api/calls'
import type { Timeline } from '@/api/types'
import { day, LANDING_LABEL, signed } from '@/words'

const props = defineProps<{ studentId: number }>()
const lines = ref<Timeline['lines']>([])
const before = ref<number | null>(null)
const isLate = ref(true)
async function more() {
  isLate.value = true
  try {
    const page = await api.timeline(props.studentId, before.value)
    lines.value = [...lines.value, ...page.lines]
    before.value = page.before
  } finally {
    isLate.value = false
  }
}
void more()
</script>

<template>
  <section class="panel" aria-labelledby="timeline">
    <h2 id="timeline" class="text-lg font-bold">{{ say('record.sorties-and-the-one-change') }}</h2>
    <p v-if="!lines.length" class="text-soft">{{ isLate ? say('common.loading') : say('record.not-flown-yet') }}</p>
    <ol class="divide-y divide-line">
      <li v-for="row in lines" :key="row.sortie_id" class="grid gap-x-4 py-2 sm:grid-cols-[7rem_11rem_1fr]">
        <RouterLink :to="{ name: 'debrief', params: { id: row.sortie_id } }" class="font-bold underline">
          {{ day(row.planned_on) }}
        </RouterLink>
        <span class="text-sm text-soft">
          {{
            say('record.of-in-the-box', {
              landing: LANDING_LABEL[row.landing],
              hits: row.hits,
              measured: row.measured,
            })
          }}<template v-if="row.mean_error_ft !== null">{{
            say('record.mean-ft', { mean_error_ft: signed(row.mean_error_ft, 10) })
          }}</template
          ><template v-if="row.go_arounds">{{ say('record.around', { go_arounds: row.go_arounds }) }}</template>
        </span>
        <span>
          {{ row.one_change ?? say('record.too-few-landings-to-say') }}
          <b v-if="row.followed === true" class="text-pass-ink">{{ say('record.followed-on-the-next-sortie') }}</b>
          <b v-else-if="row.followed === false" class="text-spot-ink">{{ say('record.not-followed-on-the-next') }}</b>
          <span v-for="text in row.notes" :key="text" class="block text-sm text-soft">“{{ text }}”</span>
        </span>
      </li>
    </ol>
    <button v-if="before !== null" type="button" class="button mt-2" :disabled="isLate" @click="more">
      {{ say('common.show-older-ones') }}
    </button>
  </section>
</template>
