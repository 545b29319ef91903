<script setup lang="ts">
/** The rest of the lap over months: takeoffs, pattern, final, decisions; how often within limits, and what lets it down. */
import { say } from '@/said'
import type { StudentRecord } from '@/api/types'
import { TASK_LABEL } from '@/components/around'
import { day, percent, round, signed } from '@/words'
import { READY_LABEL } from './words'

defineProps<{ tasks: StudentRecord['tasks']; needed: number }>()
type Task = StudentRecord['tasks'][number]
const TAKEOFF: Record<string, string> = {
  normal: say('record.takeoff-normal'),
  crosswind: say('record.takeoff-crosswind'),
  short_field: say('record.takeoff-short-field'),
  soft_field: say('record.takeoff-soft-field'),
}
const name = (one: Task) => (one.takeoff ? TAKEOFF[one.takeoff] : TASK_LABEL[one.task])
const sign = (one: boolean | null) => (one === null ? '·' : one ? '✓' : '✕')
const tone = (one: boolean | null) => (one === null ? 'text-soft' : one ? 'text-pass-ink' : 'text-fail-ink')
const said = (one: boolean | null) =>
  one === null ? say('record.not-measured') : one ? say('record.within') : say('record.outside')
type Line = Task['figures'][number]
function spread(one: Line): string {
  const { mean, scatter } = one.spread
  if (mean === null) return say('record.marked-only')
  const space = one.unit === '°' || one.unit === '%' ? '' : ' '
  return say('record.mean-of', {
    mean: signed(mean),
    space,
    unit: one.unit,
    scatter: scatter === null ? '' : say('record.scatter-of', { scatter: round(scatter), space, unit: one.unit }),
  })
}
</script>

<template>
  <section v-if="tasks.length" class="panel" aria-labelledby="rest">
    <h2 id="rest" class="text-lg font-bold">{{ say('common.the-rest-of-the-lap') }}</h2>
    <div class="grid gap-x-6 gap-y-3 lg:grid-cols-2">
      <article v-for="one in tasks" :key="name(one)" class="border-t border-line pt-2" :aria-label="name(one)">
        <header class="flex flex-wrap items-baseline gap-x-3">
          <h3 class="font-bold">{{ name(one) }}</h3>
          <span class="font-bold" :class="one.readiness.state === 'at_standard' ? 'text-pass-ink' : ''">
            {{ one.readiness.state === 'unknown' ? say('common.not-known') : READY_LABEL[one.readiness.state] }}
          </span>
          <span v-if="one.readiness.chance !== null">
            <span class="figure text-xl">{{ percent(one.readiness.chance) }}</span>
            <span class="text-sm text-soft">
              {{
                ' ' +
                say('record.of-laps-within-limits-to', {
                  chance_low: percent(one.readiness.chance_low ?? 0),
                  chance_high: percent(one.readiness.chance_high ?? 1),
                  needed: percent(needed),
                  chance_of_three: percent(one.readiness.chance_of_three ?? 0),
                })
              }}
            </span>
          </span>
        </header>
        <p>{{ one.readiness.words }}</p>
        <p v-for="line in one.readiness.not_known" :key="line" class="text-sm"><b>?</b> {{ line }}</p>
        <p v-if="one.readiness.judged" class="text-lg tracking-widest" :aria-label="say('record.latest-laps')">
          <span
            v-for="(met, k) in one.latest"
            :key="k"
            class="font-bold"
            :class="tone(met)"
            role="img"
            :aria-label="said(met)"
            >{{ sign(met) }}</span
          >
          <span class="text-sm tracking-normal text-soft">
            {{ ' ' + say('record.last', { last_on: day(one.last_on) }) }}</span
          >
        </p>
        <ul class="text-sm">
          <li v-for="line in one.figures" :key="line.label" class="flex flex-wrap gap-x-2">
            <span class="min-w-0 flex-1">{{ line.label }}</span>
            <span class="figure">{{ spread(line) }}</span>
            <span :class="line.failed ? 'font-bold text-fail-ink' : 'text-soft'">
              {{
                line.limit === null
                  ? say('record.limit-not-known')
                  : say('record.of-outside-of', { failed: line.failed, judged: line.judged, limit: line.limit })
              }}
            </span>
          </li>
        </ul>
      </article>
    </div>
    <p class="mt-2 text-sm text-soft">
      {{ say('record.measured-by-recorded-flights-or') }}
    </p>
  </section>
</template>
