<script setup lang="ts">
/** Why it landed there: the parts of the error as one bar of feet, long to the right, short to the left. */
import { say } from '@/said'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'
import type { Lap } from '@/api/types'
import { signed } from '@/words'

const props = defineProps<{ diagnosis: Lap['diagnosis']; short?: boolean; reachFt?: number }>()
const SHADE: Record<Lap['diagnosis']['parts'][number]['cause'], string> = {
  aim: 'var(--aim)',
  speed: 'var(--warn)',
  wind: 'var(--predict)',
  roundout: 'var(--pass)',
  hold_off: 'var(--ink-soft)',
}
const known = computed(() => props.diagnosis.parts.filter((part) => part.feet !== null))
/** Long parts are laid end to end to the right of the target, short ones to the left. */
const pieces = computed(() => {
  let long = 0
  let short = 0
  return known.value.map((part) => {
    const feet = part.feet ?? 0
    const from = feet >= 0 ? long : short + feet
    if (feet >= 0) long += feet
    else short += feet
    return { ...part, from, to: from + Math.abs(feet) }
  })
})
const reach = computed(
  () => props.reachFt ?? Math.max(100, ...pieces.value.map((p) => Math.max(Math.abs(p.from), Math.abs(p.to)))),
)
const x = computed(() => scaleLinear([-reach.value, reach.value], [0, 100]))
</script>

<template>
  <div v-if="diagnosis.error_ft !== null">
    <svg viewBox="0 0 100 10" preserveAspectRatio="none" class="block h-8 w-full" aria-hidden="true">
      <rect x="0" y="0" width="100" height="10" fill="var(--paper)" />
      <rect
        v-for="piece in pieces"
        :key="piece.cause"
        :x="x(piece.from)"
        y="1.5"
        :width="Math.max(0, x(piece.to) - x(piece.from))"
        height="7"
        :fill="SHADE[piece.cause]"
        stroke="var(--card)"
        stroke-width="0.3"
      />
      <line x1="50" x2="50" y1="0" y2="10" stroke="var(--ink)" stroke-width="0.4" />
    </svg>
    <div v-if="!short" class="flex justify-between text-sm text-soft">
      <span>{{ say('parts.short') }}</span><span>{{ say('parts.target') }}</span
      ><span>{{ say('parts.long') }}</span>
    </div>
    <ul class="mt-1" :class="short ? 'flex flex-wrap gap-x-4 text-sm' : 'space-y-0.5'">
      <li v-for="part in diagnosis.parts" :key="part.cause" class="flex items-baseline gap-2">
        <span
          class="inline-block h-3 w-3 shrink-0 self-center rounded-sm"
          :class="part.feet === null ? 'border border-soft' : ''"
          :style="part.feet === null ? {} : { background: SHADE[part.cause] }"
        />
        <span :class="short ? '' : 'w-20 shrink-0 font-bold'">{{ part.label }}</span>
        <span class="figure" :class="short ? '' : 'w-20 shrink-0 text-right'">
          {{ part.feet === null ? say('common.unknown') : `${signed(part.feet, 5)} ft` }}
        </span>
        <span v-if="!short" class="text-sm text-soft">{{ part.words }}</span>
      </li>
      <li v-if="!short" class="flex items-baseline gap-2 border-t border-line pt-0.5">
        <span class="h-3 w-3 shrink-0" />
        <span class="w-20 shrink-0 font-bold">{{ say('parts.together') }}</span>
        <span class="figure w-20 shrink-0 text-right">{{ signed(diagnosis.error_ft, 5) }} ft</span>
        <span class="text-sm text-soft">{{ say('parts.from', { counted_from: diagnosis.counted_from }) }}</span>
      </li>
    </ul>
  </div>
</template>
