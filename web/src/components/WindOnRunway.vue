<script setup lang="ts">
/** The wind as it meets the runway, drawn the way the strip lies: landing from left to right. */
import { labels, say } from '@/said'
import { computed } from 'vue'
import type { Brief } from '@/api/types'
import { round } from '@/words'

const props = defineProps<{ brief: Brief; courseMag: number; ident: string; words: string }>()
const REACH = 62
const off = computed(() =>
  props.brief.wind.wind_dir_deg_mag === null
    ? null
    : ((props.brief.wind.wind_dir_deg_mag - props.courseMag) * Math.PI) / 180,
)
const from = computed(() => ({
  x: 70 + REACH * Math.cos(off.value ?? 0),
  y: 58 + REACH * Math.sin(off.value ?? 0),
}))
const isCalm = computed(() => props.brief.wind.headwind_kt === 0 && props.brief.wind.crosswind_kt === 0)
const along = computed(() => {
  const kt = props.brief.wind.headwind_kt
  if (kt === null) return say('common.unknown')
  return `${round(Math.abs(kt))} kt ${kt < -0.5 ? say('parts.tailwind') : say('parts.headwind')}`
})
const across = computed(() => {
  const kt = props.brief.wind.crosswind_kt
  if (kt === null) return say('common.unknown')
  if (Math.abs(kt) < 0.5) return say('parts.no-crosswind')
  return say('parts.kt-from-the', { kt: round(Math.abs(kt)), kt_2: kt > 0 ? say('common.right') : say('common.left') })
})
const gust = computed(() => {
  const { gust_headwind_kt: head, gust_crosswind_kt: cross, headwind_kt: steady } = props.brief.wind
  if (head === null || cross === null || head === steady) return ''
  return say('parts.in-gusts-and', { head: round(head), cross: round(Math.abs(cross)) })
})
/** What the worst direction of a wind that swings does, where it is more than the mean one. */
const upTo = computed(() => {
  const { worst_crosswind_kt: worst, crosswind_kt: mean, gust_crosswind_kt: gusting } = props.brief.wind
  if (worst === null || mean === null) return ''
  if (Math.abs(worst) < Math.max(Math.abs(mean), Math.abs(gusting ?? 0)) + 0.5) return ''
  return say('parts.up-to-kt-from-the', {
    worst: round(Math.abs(worst)),
    worst_2: worst > 0 ? say('common.right') : say('common.left'),
  })
})
/** Whose limit it is. */
const OWNER: Readonly<Record<string, string>> = labels<string>({
  aircraft: 'parts.limit-of-aircraft',
  school: 'parts.limit-of-school',
  student: 'parts.limit-of-student',
  signed: 'parts.limit-of-the-sign-off',
})
</script>

<template>
  <div class="flex items-start gap-3">
    <svg
      viewBox="0 0 140 116"
      width="140"
      height="116"
      class="shrink-0"
      role="img"
      :aria-label="say('parts.wind-on-runway', { words })"
    >
      <rect x="12" y="46" width="116" height="24" fill="var(--tarmac)" />
      <path d="M20 58h86" stroke="var(--paint)" stroke-width="2" stroke-dasharray="12 8" />
      <path d="M112 51 l9 7 l-9 7" fill="none" stroke="var(--paint)" stroke-width="2.5" />
      <g v-if="off !== null && !isCalm">
        <line :x1="from.x" :y1="from.y" x2="70" y2="58" stroke="var(--card)" stroke-width="9" />
        <line :x1="from.x" :y1="from.y" x2="70" y2="58" stroke="var(--ink)" stroke-width="4.5" />
        <g :transform="`translate(70 58) rotate(${(off * 180) / Math.PI})`">
          <path d="M-4 0 L15 -10 L15 10 Z" fill="var(--ink)" stroke="var(--card)" stroke-width="2" />
        </g>
      </g>
      <text v-else x="70" y="32" text-anchor="middle" font-size="14" fill="var(--ink)">
        {{ !brief.wind.is_known ? say('common.not-given') : isCalm ? say('common.calm') : say('common.variable') }}
      </text>
    </svg>
    <div class="min-w-0">
      <p class="text-lg font-bold leading-tight">{{ words }}</p>
      <template v-if="brief.wind.is_known">
        <p class="leading-snug">{{ along }}</p>
        <p class="leading-snug">{{ across }}</p>
        <p v-if="upTo" class="font-bold leading-snug">{{ upTo }}</p>
      </template>
      <p v-else class="leading-snug">{{ say('parts.along-and-across-the-runway') }}</p>
      <p v-if="gust" class="leading-snug text-soft">{{ gust }}</p>
    </div>
  </div>
  <ul class="mt-1 space-y-0.5 text-sm">
    <li v-for="limit in brief.wind.crosswind_limits" :key="limit.name" class="flex items-baseline gap-2">
      <span
        class="whitespace-nowrap font-bold"
        :class="
          !limit.binds ? 'text-soft' : limit.within === false ? 'text-fail-ink' : limit.within ? 'text-pass-ink' : ''
        "
      >
        {{ limit.within === null ? '? ' : limit.within ? '✓ ' : limit.binds ? '✕ ' : '– '
        }}{{ OWNER[limit.name] ?? limit.name }} {{ round(limit.limit_kt) }} kt
      </span>
      <span class="text-soft"
        >{{ limit.source }}{{ !limit.binds && limit.within === false ? say('parts.not-alone-in-this-wind') : '' }}</span
      >
    </li>
  </ul>
</template>
