<script setup lang="ts">
/** Flows and callouts by phase of flight, one a line. */
import { say } from '@/said'
import type { AircraftSpec } from '@/api/types'

const draft = defineModel<AircraftSpec>({ required: true })
const PHASES = [
  'before takeoff',
  'takeoff',
  'climb',
  'downwind',
  'base',
  'final',
  'go-around',
  'after landing',
] as const

const flow = (phase: (typeof PHASES)[number]) => draft.value.flows?.find((one) => one.phase === phase)
function setFlow(phase: (typeof PHASES)[number], part: 'items' | 'callouts', text: string) {
  const one = draft.value
  const lines = text
    .split('\n')
    .map((row) => row.trim())
    .filter(Boolean)
  const now = flow(phase) ?? { phase, items: [], callouts: [] }
  const next = { ...now, [part]: lines }
  one.flows = [...(one.flows ?? []).filter((other) => other.phase !== phase), ...(next.items.length ? [next] : [])]
  one.flows.sort((a, b) => PHASES.indexOf(a.phase) - PHASES.indexOf(b.phase))
}
</script>

<template>
  <section class="panel space-y-2" :aria-label="say('common.flows-and-callouts')">
    <h3 class="font-bold">{{ say('hangar.flows-and-callouts-one-a') }}</h3>
    <details v-for="phase in PHASES" :key="phase">
      <summary class="min-h-11 cursor-pointer content-center capitalize">
        {{ phase }} <span class="text-soft">({{ flow(phase)?.items.length ?? 0 }})</span>
      </summary>
      <textarea
        class="field"
        rows="4"
        :aria-label="say('hangar.flow', { phase })"
        :value="flow(phase)?.items.join('\n') ?? ''"
        @change="setFlow(phase, 'items', ($event.target as HTMLTextAreaElement).value)"
      />
      <textarea
        class="field"
        rows="2"
        :placeholder="say('hangar.callouts')"
        :aria-label="say('hangar.phase-callouts', { phase })"
        :value="(flow(phase)?.callouts ?? []).join('\n')"
        @change="setFlow(phase, 'callouts', ($event.target as HTMLTextAreaElement).value)"
      />
    </details>
  </section>
</template>
