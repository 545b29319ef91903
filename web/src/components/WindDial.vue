<script setup lang="ts">
/** The wind as it is now, set by thumb on a dial over the runway; what it does to limits and ends is said at once. */
import { say } from '@/said'
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { computed, reactive, ref, watch } from 'vue'
import { LIMITS } from '@/api/limits'
import Stepper from '@/components/Stepper.vue'
import { exceeded, limitWords, windOn, type WindLimit, type WindRead } from '@/offline/wind'
import { clamp } from '@/strip/places'
import { round, windWords } from '@/words'

export interface DialEnd {
  id: number
  ident: string
  courseDegMag: number
}
const props = defineProps<{
  open: boolean
  /** the lap whose wind is put right; null: the wind of now */
  ofLap: number | null
  ends: readonly DialEnd[]
  endId: number
  /** the wind there is; null: nobody has given one */
  start: WindRead | null
  limits: readonly WindLimit[]
}>()
const emit = defineEmits<{ close: []; use: [wind: WindRead, endId: number] }>()

const REACH = 130 // of the drawing, for the strongest wind of the dial
const MOST_KT = 35
const wind = reactive<WindRead>({ from_deg_mag: null, kt: 0, gust_kt: null })
const end = ref(0)
watch(
  () => props.open,
  (open) => {
    if (!open) return
    end.value = props.endId
    const { from_deg_mag = here.value.courseDegMag, kt = 5, gust_kt = null } = props.start ?? {}
    Object.assign(wind, { from_deg_mag: from_deg_mag === null ? null : round360(from_deg_mag), kt, gust_kt })
  },
  { immediate: true },
)
const here = computed(
  () => props.ends.find((one) => one.id === end.value) ?? props.ends[0] ?? { id: 0, ident: '', courseDegMag: 360 },
)
const round360 = (deg: number) => ((Math.round(deg) % 360) + 360) % 360 || 360
const now = computed(() => windOn(wind, here.value.courseDegMag))
const over = computed(() => exceeded(props.limits, now.value).filter((one) => one.severity !== 'know'))
const off = computed(() => ((wind.from_deg_mag ?? 0) - here.value.courseDegMag) * (Math.PI / 180))
const at = (kt: number) => ({
  x: 150 + Math.sin(off.value) * (clamp(kt, 0, MOST_KT) / MOST_KT) * REACH,
  y: 150 - Math.cos(off.value) * (clamp(kt, 0, MOST_KT) / MOST_KT) * REACH,
})

const dial = ref<SVGSVGElement | null>(null)
const isDragged = ref(false)
/** The thumb says both: from where, to ten degrees, and how strong, by how far from the middle. */
function point(event: PointerEvent) {
  const box = dial.value?.getBoundingClientRect()
  if (!box) return
  const x = ((event.clientX - box.left) / box.width) * 300 - 150
  const y = ((event.clientY - box.top) / box.height) * 300 - 150
  const kt = Math.round((Math.hypot(x, y) / REACH) * MOST_KT)
  const turned = (Math.atan2(x, -y) * 180) / Math.PI
  const spread = wind.gust_kt === null ? null : wind.gust_kt - wind.kt
  wind.kt = clamp(kt, 0, MOST_KT)
  wind.from_deg_mag = round360(Math.round((turned + here.value.courseDegMag) / 10) * 10)
  wind.gust_kt = spread === null ? null : wind.kt + spread
}
function take(event: PointerEvent) {
  isDragged.value = true
  dial.value?.setPointerCapture(event.pointerId)
  point(event)
}
function setSpeed(kt: number | null) {
  wind.kt = kt ?? 0
  if (wind.gust_kt !== null && wind.gust_kt < wind.kt) wind.gust_kt = wind.kt
}
function setGust(kt: number | null) {
  wind.gust_kt = kt === null ? null : Math.max(kt, wind.kt)
}
const along = computed(() => {
  const kt = now.value.head_kt
  if (kt === null) return say('parts.along-unknown')
  return `${round(Math.abs(kt))} kt ${kt < -0.5 ? say('parts.tailwind') : say('parts.headwind')}`
})
const across = computed(() => {
  const kt = now.value.cross_kt
  if (kt === null) return say('parts.across-unknown')
  return Math.abs(kt) < 0.5
    ? say('parts.nothing-across')
    : say('parts.kt-across-from-the', {
        kt: round(Math.abs(kt)),
        kt_2: kt > 0 ? say('common.right') : say('common.left'),
      })
})
/** Ends by this wind: those over a limit last, then by headwind, as the server ranks them before other reasons. */
const ranked = computed(() =>
  props.ends
    .map((one) => {
      const on = windOn(wind, one.courseDegMag)
      const stops = exceeded(props.limits, on).filter((limit) => limit.severity === 'stop')
      const points = (on.head_kt ?? -on.any_way_kt) * ((on.head_kt ?? -1) < 0 ? 4 : 1) - on.values.crosswind / 2
      return { ...one, on, isOver: stops.length > 0, points }
    })
    .sort((a, b) => Number(a.isOver) - Number(b.isOver) || b.points - a.points),
)
const endWords = (one: (typeof ranked.value)[number]) =>
  one.on.head_kt === null
    ? say('parts.direction-unknown')
    : say('parts.across', {
        head_kt: round(Math.abs(one.on.head_kt)),
        head_kt_2: one.on.head_kt < -0.5 ? say('parts.tail') : say('parts.head'),
        crosswind: round(one.on.values.crosswind),
      })
const words = computed(() =>
  windWords({ wind_dir_deg_mag: wind.from_deg_mag, wind_kt: wind.kt, gust_kt: wind.gust_kt }),
)
</script>

<template>
  <Dialog :open="open" class="relative z-20" @close="emit('close')">
    <div class="fixed inset-0 bg-black/50" aria-hidden="true" />
    <div class="fixed inset-0 overflow-y-auto p-2 sm:p-4">
      <DialogPanel class="panel mx-auto w-full max-w-3xl space-y-3">
        <DialogTitle class="text-xl font-bold">
          {{ ofLap === null ? say('parts.wind-now') : say('parts.wind-of-lap', { of_lap: ofLap }) }}:
          <span class="figure" role="status">{{ words }}</span>
        </DialogTitle>
        <div class="grid items-start gap-4 sm:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
          <svg
            ref="dial"
            viewBox="0 0 300 300"
            class="mx-auto w-full max-w-[17rem] touch-none sm:max-w-sm select-none"
            role="img"
            :aria-label="say('parts.dial-over-runway-wind', { ident: here.ident, words })"
            @pointerdown="take"
            @pointermove="isDragged && point($event)"
            @pointerup="isDragged = false"
            @pointercancel="isDragged = false"
          >
            <circle cx="150" cy="150" :r="REACH + 16" fill="var(--paper)" stroke="var(--line)" stroke-width="2" />
            <circle
              v-for="kt in [10, 20, 30]"
              :key="kt"
              cx="150"
              cy="150"
              :r="(kt / MOST_KT) * REACH"
              fill="none"
              stroke="var(--line)"
              stroke-dasharray="3 5"
            />
            <rect x="135" y="40" width="30" height="220" fill="var(--tarmac)" />
            <path d="M150 60v170" stroke="var(--paint)" stroke-width="3" stroke-dasharray="16 11" />
            <text x="150" y="254" text-anchor="middle" font-size="15" font-weight="700" fill="var(--paint)">
              {{ here.ident }}
            </text>
            <text
              v-for="kt in [10, 20, 30]"
              :key="kt"
              :x="150 + (kt / MOST_KT) * REACH * 0.71"
              :y="154 + (kt / MOST_KT) * REACH * 0.71"
              font-size="12"
              fill="var(--ink)"
            >
              {{ kt }}
            </text>
            <g v-if="wind.from_deg_mag !== null && wind.kt > 0">
              <line
                v-if="wind.gust_kt !== null && wind.gust_kt > wind.kt"
                :x1="at(wind.gust_kt).x"
                :y1="at(wind.gust_kt).y"
                x2="150"
                y2="150"
                stroke="var(--ink)"
                stroke-width="3"
                stroke-dasharray="4 4"
              />
              <circle
                v-if="wind.gust_kt !== null && wind.gust_kt > wind.kt"
                :cx="at(wind.gust_kt).x"
                :cy="at(wind.gust_kt).y"
                r="6"
                fill="var(--ink)"
              />
              <line :x1="at(wind.kt).x" :y1="at(wind.kt).y" x2="150" y2="150" stroke="var(--card)" stroke-width="11" />
              <line :x1="at(wind.kt).x" :y1="at(wind.kt).y" x2="150" y2="150" stroke="var(--ink)" stroke-width="6" />
              <g :transform="`translate(150 150) rotate(${(off * 180) / Math.PI})`">
                <path d="M0 4 L-12 -16 L12 -16 Z" fill="var(--ink)" stroke="var(--card)" stroke-width="2" />
              </g>
              <circle
                :cx="at(wind.kt).x"
                :cy="at(wind.kt).y"
                r="15"
                fill="var(--card)"
                stroke="var(--ink)"
                stroke-width="4"
              />
            </g>
            <text v-else x="150" y="24" text-anchor="middle" font-size="14" fill="var(--ink)">
              {{ wind.kt === 0 ? say('common.calm') : say('parts.from-anywhere') }}
            </text>
          </svg>
          <div class="space-y-2">
            <p class="text-lg font-bold leading-snug">{{ along }}, {{ across }}</p>
            <ul class="space-y-1" :aria-label="say('parts.limits')" aria-live="polite">
              <li
                v-for="one in over"
                :key="one.words"
                class="font-bold leading-snug"
                :class="one.severity === 'stop' ? 'text-fail-ink' : ''"
              >
                {{ one.severity === 'stop' ? '✕' : '▲' }} {{ limitWords(one, now) }}
              </li>
              <li v-if="!over.length" class="font-bold text-pass-ink">{{ say('parts.within-every-limit-that-is') }}</li>
            </ul>
          </div>
        </div>
        <div class="grid gap-2 sm:grid-cols-3">
          <Stepper
            :model-value="wind.from_deg_mag"
            :label="say('parts.from-magnetic')"
            unit="°"
            tall
            :min="0"
            :max="360"
            :step="10"
            :start="round360(here.courseDegMag)"
            :empty-word="say('parts.anywhere')"
            @update:model-value="wind.from_deg_mag = $event === null ? null : round360($event)"
          />
          <Stepper
            :model-value="wind.kt"
            :label="say('common.speed')"
            unit="kt"
            tall
            :min="LIMITS.windKt.min"
            :max="LIMITS.windKt.max"
            @update:model-value="setSpeed"
          />
          <Stepper
            :model-value="wind.gust_kt"
            :label="say('parts.gusts-to')"
            unit="kt"
            tall
            :min="wind.kt"
            :max="LIMITS.gustKt.max"
            :start="wind.kt + 5"
            :empty-word="say('parts.no-gusts')"
            @update:model-value="setGust"
          />
        </div>
        <div v-if="ends.length > 1" role="group" :aria-label="say('parts.runway-best-first-by-this')">
          <p class="heading">{{ say('parts.runway-best-first-by-this') }}</p>
          <div class="grid grid-cols-2 gap-1.5 sm:grid-cols-4">
            <button
              v-for="one in ranked"
              :key="one.id"
              type="button"
              class="button !min-h-14 flex-col !gap-0 !px-1 leading-tight"
              :class="one.id === end ? 'button-main' : ''"
              :aria-pressed="one.id === end"
              @click="end = one.id"
            >
              <span class="figure text-lg">{{ one.isOver ? '✕ ' : '' }}{{ one.ident }}</span>
              <span class="block text-sm font-normal">{{ endWords(one) }}</span>
            </button>
          </div>
        </div>
        <p class="text-sm text-soft">
          <template v-if="ofLap === null">
            {{ say('parts.look-at-the-sock-and') }}
          </template>
          <template v-else>{{ say('parts.what-this-lap-shows-is') }}</template>
          {{ say('parts.the-aircrafts-handbook-the-local') }}
        </p>
        <div class="sticky bottom-0 flex flex-wrap gap-2 bg-card py-2">
          <button type="button" class="button button-main !min-h-14 flex-1" @click="emit('use', { ...wind }, end)">
            {{ say('parts.use', { words, end_id: end === endId ? '' : say('parts.runway', { ident: here.ident }) }) }}
          </button>
          <button type="button" class="button !min-h-14" @click="emit('close')">
            {{ say('parts.leave-it-as-it-was') }}
          </button>
        </div>
      </DialogPanel>
    </div>
  </Dialog>
</template>
