<script setup lang="ts">
/** The kneeboard card on the screen, and from the browser onto paper: black on white. */
import { say } from '@/said'
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { kneeboardQuery } from '@/api/queries'
import Loading from '@/components/Loading.vue'
import { SEVERITY_SIGN } from '@/words'

const id = Number(useRoute().params.id)
const state = useQuery(kneeboardQuery(id))
const card = computed(() => state.data.value?.kneeboard)
const sections = computed(() =>
  card.value
    ? ([
        [say('kneeboard.aim-spot-go-around'), card.value.points],
        [say('kneeboard.speeds'), card.value.speeds],
        [say('common.takeoff'), card.value.takeoff],
        [say('kneeboard.gates-above-sea-level'), card.value.gates],
        [say('kneeboard.legs-heading-speed-flap-time'), card.value.headings],
        [say('common.if-the-engine-stops'), card.value.engine_failure],
      ] as const)
    : [],
)
const print = () => window.print()
</script>

<template>
  <Loading v-if="!card" :error="state.error.value" :retry="state.refetch" />
  <div v-else>
    <div class="mb-3 flex flex-wrap gap-2 print:hidden">
      <RouterLink class="button" :to="{ name: 'lap-plan', params: { id } }">{{
        say('kneeboard.back-to-the-lap-plan')
      }}</RouterLink>
      <button type="button" class="button button-main" @click="print">{{ say('kneeboard.print') }}</button>
      <a class="button" :href="`/api/sorties/${id}/kneeboard-a5.pdf`" target="_blank" rel="noopener">{{
        say('common.pdf-a5')
      }}</a>
      <a class="button" :href="`/api/sorties/${id}/kneeboard-a4.pdf`" target="_blank" rel="noopener">{{
        say('common.pdf-two-on-a4')
      }}</a>
    </div>
    <article class="sheet" :aria-label="say('common.kneeboard-card')">
      <h1 class="text-lg font-bold leading-tight">{{ card.title }}</h1>
      <p class="text-sm">{{ card.subtitle }}</p>
      <div class="columns">
        <section v-for="[heading, lines] in sections" :key="heading" class="section">
          <template v-if="lines.length">
            <h2 class="font-bold">{{ heading }}</h2>
            <dl>
              <div v-for="line in lines" :key="line.label" class="flex justify-between gap-2 border-b border-black/30">
                <dt>{{ line.label }}</dt>
                <dd class="text-right font-bold">{{ line.value }}</dd>
              </div>
            </dl>
          </template>
        </section>
      </div>
      <section class="mt-1">
        <h2 class="font-bold">{{ say('common.laps') }}</h2>
        <table class="w-full text-left">
          <thead>
            <tr class="text-xs">
              <th class="w-6">
                <span class="sr-only">{{ say('common.done') }}</span>
              </th>
              <th>{{ say('common.lap') }}</th>
              <th>{{ say('common.spot') }}</th>
              <th>{{ say('common.aim') }}</th>
              <th>{{ say('kneeboard.watch') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(lap, i) in card.laps" :key="i" class="border-b border-black/30 align-top">
              <td><span class="inline-block h-4 w-4 border-2 border-black" aria-hidden="true" /></td>
              <td>{{ i + 1 }} {{ lap.label }}</td>
              <td class="whitespace-nowrap font-bold">{{ lap.spot }}</td>
              <td class="whitespace-nowrap font-bold">{{ lap.aim }}</td>
              <td>{{ lap.watch }}</td>
            </tr>
          </tbody>
        </table>
      </section>
      <p
        v-for="one in card.cautions"
        :key="one.words"
        class="mt-1 text-xs"
        :class="one.severity === 'stop' ? 'font-bold' : ''"
      >
        {{ SEVERITY_SIGN[one.severity] }} {{ one.words }}
      </p>
    </article>
  </div>
</template>

<style scoped>
.sheet {
  max-width: 148mm;
  background: #fff;
  color: #000;
  border: 1px solid #000;
  padding: 5mm;
  font-size: 11.5px;
  line-height: 1.25;
}
.columns {
  columns: 2;
  column-gap: 5mm;
}
.section {
  break-inside: avoid;
  padding-top: 2mm; /* a margin would be lost at the head of the second column */
}
@media print {
  .sheet {
    border: 0;
    padding: 0;
  }
}
</style>
