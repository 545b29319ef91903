<script setup lang="ts">
/** Round out now: the last seconds at true speed, one press; slower steps for whoever wants less motion. */
import { say } from '@/said'
import { computed, onUnmounted, ref } from 'vue'
import type { RoundoutDrill } from '@/api/types'
import { useKeys } from '@/composables/useKeys'
import Seat from '@/practise/Seat.vue'
import { fixed, round } from '@/words'

const props = defineProps<{ handed: RoundoutDrill }>()
const emit = defineEmits<{ done: [answers: { clip: number; at_s: number | null }[]] }>()
const STEADY_S = 0.15
const SLOW_S = 0.25
const isCalm = window.matchMedia('(prefers-reduced-motion: reduce)').matches
const answers: { clip: number; at_s: number | null }[] = []
const number = ref(0)
const seconds = ref(0)
const told = ref('')
const clip = computed(() => props.handed.drill.clips[number.value]!)
let began = 0
let frame = 0
function play() {
  told.value = ''
  seconds.value = 0
  began = performance.now()
  const step = () => {
    const at = (performance.now() - began) / 1_000
    seconds.value = isCalm ? Math.floor(at / SLOW_S) * SLOW_S : at
    if (at >= clip.value.truth.end_s) return press(null)
    frame = requestAnimationFrame(step)
  }
  frame = requestAnimationFrame(step)
}
play()
onUnmounted(() => cancelAnimationFrame(frame))
const pose = computed(() => {
  const { time_s } = clip.value
  let k = 1
  while (k < time_s.length - 1 && time_s[k]! < seconds.value) k++
  const share = Math.min(1, Math.max(0, (seconds.value - time_s[k - 1]!) / (time_s[k]! - time_s[k - 1]!)))
  const of = (values: readonly number[]) => values[k - 1]! + share * (values[k]! - values[k - 1]!)
  return {
    along_ft: of(clip.value.along_ft),
    lateral_ft: of(clip.value.lateral_ft),
    height_ft: of(clip.value.eye_height_ft),
    heading_off_deg: of(clip.value.heading_off_deg),
    pitch_deg: of(clip.value.pitch_deg),
    bank_deg: of(clip.value.bank_deg),
  }
})
function press(at: number | null) {
  if (told.value) return
  cancelAnimationFrame(frame)
  answers.push({ clip: number.value, at_s: at === null ? null : Math.round(at * 1_000) / 1_000 })
  const { roundout_s, roundout_height_ft, sink_fps } = clip.value.truth
  const begins = round(roundout_height_ft)
  if (at === null) told.value = say('practice.not-pressed')
  else {
    const late = at - roundout_s
    const height = round(Math.max(0, roundout_height_ft - sink_fps * late))
    const said = { late: fixed(Math.abs(late), 1), height, begins }
    told.value =
      Math.abs(late) <= STEADY_S
        ? say('practice.on-the-moment', { begins })
        : late < 0
          ? say('practice.early', said)
          : say('practice.late', said)
  }
}
const now = () => press((performance.now() - began) / 1_000)
function next() {
  if (number.value + 1 >= props.handed.drill.clips.length) return emit('done', answers)
  number.value += 1
  play()
}
useKeys({ ' ': () => (told.value ? next() : now()) })
</script>

<template>
  <div class="space-y-3">
    <p>
      <b>{{ say('practice.film-of', { number: number + 1, all: handed.drill.clips.length }) }}</b>
    </p>
    <Seat :scene="handed.drill.scene" :seat="handed.seat" :pose="pose" :label="say('practice.what-you-see')" />
    <p v-if="told" role="status" class="text-lg font-bold">{{ told }}</p>
    <button
      v-if="!told"
      type="button"
      class="button button-main w-full !min-h-16 text-xl"
      @pointerdown="now()"
      @keydown.enter.prevent="now()"
    >
      {{ say('practice.now') }}
    </button>
    <button v-else type="button" class="button w-full !min-h-16 text-lg" @click="next()">
      {{ number + 1 < handed.drill.clips.length ? say('practice.next-film') : say('practice.result') }}
    </button>
    <p class="text-sm text-soft">{{ say('practice.roundout-keys') }}</p>
  </div>
</template>
