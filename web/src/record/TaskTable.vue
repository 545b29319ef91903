<script setup lang="ts">
/** The rest of the lap over months: takeoffs, pattern, final, decisions; how often within limits, and what lets it down. */
import type { StudentRecord } from '@/api/types'
import { TASK_LABEL } from '@/components/around'
import { day, percent, round, signed } from '@/words'
import { READY_LABEL } from './words'

defineProps<{ tasks: StudentRecord['tasks']; needed: number }>()
type Task = StudentRecord['tasks'][number]
const TAKEOFF: Record<string, string> = {
  normal: 'Takeoff, normal',
  crosswind: 'Takeoff, crosswind',
  short_field: 'Takeoff, short-field',
  soft_field: 'Takeoff, soft-field',
}
const name = (one: Task) => (one.takeoff ? TAKEOFF[one.takeoff] : TASK_LABEL[one.task])
const sign = (one: boolean | null) => (one === null ? '·' : one ? '✓' : '✕')
const tone = (one: boolean | null) => (one === null ? 'text-soft' : one ? 'text-pass-ink' : 'text-fail-ink')
const said = (one: boolean | null) => (one === null ? 'not measured' : one ? 'within' : 'outside')
type Line = Task['figures'][number]
function spread(one: Line): string {
  const { mean, scatter } = one.spread
  if (mean === null) return 'marked only'
  const space = one.unit === '°' || one.unit === '%' ? '' : ' '
  return `mean ${signed(mean)}${space}${one.unit}${scatter === null ? '' : `, scatter ${round(scatter)}${space}${one.unit}`}`
}
</script>

<template>
  <section v-if="tasks.length" class="panel" aria-labelledby="rest">
    <h2 id="rest" class="text-lg font-bold">The rest of the lap</h2>
    <div class="grid gap-x-6 gap-y-3 lg:grid-cols-2">
      <article v-for="one in tasks" :key="name(one)" class="border-t border-line pt-2" :aria-label="name(one)">
        <header class="flex flex-wrap items-baseline gap-x-3">
          <h3 class="font-bold">{{ name(one) }}</h3>
          <span class="font-bold" :class="one.readiness.state === 'at_standard' ? 'text-pass-ink' : ''">
            {{ one.readiness.state === 'unknown' ? 'not known' : READY_LABEL[one.readiness.state] }}
          </span>
          <span v-if="one.readiness.chance !== null">
            <span class="figure text-xl">{{ percent(one.readiness.chance) }}</span>
            <span class="text-sm text-soft">
              of laps within limits ({{ percent(one.readiness.chance_low ?? 0) }} to
              {{ percent(one.readiness.chance_high ?? 1) }}; {{ percent(needed) }} are asked for; three in a row
              {{ percent(one.readiness.chance_of_three ?? 0) }})
            </span>
          </span>
        </header>
        <p>{{ one.readiness.words }}</p>
        <p v-for="line in one.readiness.not_known" :key="line" class="text-sm"><b>?</b> {{ line }}</p>
        <p v-if="one.readiness.judged" class="text-lg tracking-widest" aria-label="Latest laps">
          <span
            v-for="(met, k) in one.latest"
            :key="k"
            class="font-bold"
            :class="tone(met)"
            role="img"
            :aria-label="said(met)"
            >{{ sign(met) }}</span
          >
          <span class="text-sm tracking-normal text-soft"> last {{ day(one.last_on) }}</span>
        </p>
        <ul class="text-sm">
          <li v-for="line in one.figures" :key="line.label" class="flex flex-wrap gap-x-2">
            <span class="min-w-0 flex-1">{{ line.label }}</span>
            <span class="figure">{{ spread(line) }}</span>
            <span :class="line.failed ? 'font-bold text-fail-ink' : 'text-soft'">
              {{
                line.limit === null ? 'limit not known' : `${line.failed} of ${line.judged} outside of ${line.limit}`
              }}
            </span>
          </li>
        </ul>
      </article>
    </div>
    <p class="mt-2 text-sm text-soft">
      Measured by recorded flights, or marked by the instructor. A go-around is never a miss; landing from a final that
      was not stable is.
    </p>
  </section>
</template>
