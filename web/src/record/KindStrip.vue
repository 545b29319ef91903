<script setup lang="ts">
/** The latest landings of one kind on a small strip: the window of the standard, a diamond each, the last one largest. */
import { say } from '@/said'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'
import type { KindProgress } from '@/api/types'
import { day, signed } from '@/words'

const props = defineProps<{ kind: KindProgress }>()
const seen = computed(() => props.kind.latest.filter((one) => one.from_spot_ft !== null))
const reach = computed(() => {
  const places = seen.value.map((one) => one.from_spot_ft ?? 0)
  const low = Math.min(props.kind.window_from_ft ?? 0, ...places) - 60
  const high = Math.max(props.kind.window_to_ft ?? 0, ...places) + 60
  return [low, high] as const
})
const x = computed(() => scaleLinear([...reach.value], [2, 98]))
const ticks = computed(() => x.value.ticks(6))
/** Older ones lie higher and fainter, the last lies on the line. */
const y = (index: number) => 5 + (11 * (index + 1)) / Math.max(1, seen.value.length)
const words = computed(
  () =>
    say('record.landings-from-the-spot', { seen: seen.value.length }) +
    ' ' +
    seen.value.map((one) => `${day(one.on)} ${signed(one.from_spot_ft)} ft`).join(', '),
)
const diamond = (cx: number, cy: number, r: number) =>
  `M${cx},${cy - r} l${r * 0.55},${r} l${-r * 0.55},${r} l${-r * 0.55},${-r} z`
</script>

<template>
  <figure class="m-0">
    <svg viewBox="0 0 100 27" class="block w-full" role="img" :aria-label="words" preserveAspectRatio="xMidYMid meet">
      <rect x="0" y="2" width="100" height="18" fill="var(--tarmac)" />
      <rect
        v-if="kind.window_from_ft !== null && kind.window_to_ft !== null"
        :x="x(kind.window_from_ft)"
        y="2"
        :width="x(kind.window_to_ft) - x(kind.window_from_ft)"
        height="18"
        fill="none"
        stroke="var(--spot-on-tarmac)"
        stroke-width="0.5"
      />
      <line :x1="x(0)" :x2="x(0)" y1="2" y2="20" stroke="var(--spot-on-tarmac)" stroke-width="0.9" />
      <line
        v-if="kind.touchdown.mean !== null"
        :x1="x(kind.touchdown.mean)"
        :x2="x(kind.touchdown.mean)"
        y1="2"
        y2="20"
        stroke="var(--paint)"
        stroke-width="0.4"
        stroke-dasharray="1.2 1"
      />
      <path
        v-for="(one, index) in seen"
        :key="index"
        :d="diamond(x(one.from_spot_ft!), y(index), index === seen.length - 1 ? 2.6 : 2)"
        :fill="one.meets ? 'var(--paint)' : 'var(--tarmac)'"
        stroke="var(--paint)"
        stroke-width="0.5"
      />
      <text
        v-for="tick in ticks"
        :key="tick"
        :x="x(tick)"
        y="25.5"
        font-size="3"
        text-anchor="middle"
        fill="var(--ink-soft)"
        class="figure"
      >
        {{ signed(tick) }}
      </text>
    </svg>
    <figcaption class="text-sm text-soft">
      {{ kind.window_to_ft === null ? say('record.feet-from-the-spot-where') : say('record.feet-from-the-spot-white') }}
    </figcaption>
  </figure>
</template>
