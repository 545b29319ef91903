<script setup lang="ts">
/** High, low or right: each next picture is the one that tells most of this eye. */
import { say } from '@/said'
import { computed, onUnmounted, ref } from 'vue'
import type { PathDrill } from '@/api/types'
import { useKeys } from '@/composables/useKeys'
import Seat from '@/practise/Seat.vue'
import { after, before, nextOffsetDeg, type Said } from '@/practise/threshold'
import { fixed } from '@/words'

const props = defineProps<{ handed: PathDrill; pictures: number }>()
const emit = defineEmits<{ done: [answers: { off_deg: number; out_ft: number; said: Said }[]] }>()
const SHOWN_MS = 2_000
const TOLD_MS = 900
const LEAST = 12
let belief = before()
const answers: { off_deg: number; out_ft: number; said: Said }[] = []
const number = ref(1)
const now = ref({ ...next(), off_deg: props.handed.drill.first_offset_deg })
const isShown = ref(true)
const told = ref('')
let timer = 0
function next() {
  const far = props.handed.drill.out_ft
  return { off_deg: answers.length ? nextOffsetDeg(belief) : 0, out_ft: far[Math.floor(Math.random() * far.length)]! }
}
function show() {
  isShown.value = true
  told.value = ''
  window.clearTimeout(timer)
  timer = window.setTimeout(() => (isShown.value = false), SHOWN_MS)
}
show()
onUnmounted(() => window.clearTimeout(timer))
const pose = computed(() => {
  if (!isShown.value && !told.value) return null
  const { aim_point_ft, path_angle_deg, slope } = props.handed.drill
  const angle = path_angle_deg + now.value.off_deg
  const rise = now.value.out_ft * Math.tan((angle * Math.PI) / 180)
  return {
    along_ft: aim_point_ft - now.value.out_ft,
    lateral_ft: 0,
    height_ft: Math.max(12, rise + slope * aim_point_ft),
    heading_off_deg: 0,
    pitch_deg: -2.5, // the nose where it is on any approach: only the picture of the runway tells
    bank_deg: 0,
  }
})
function answer(said: Said) {
  if (told.value) return
  answers.push({ ...now.value, said })
  belief = after(belief, now.value.off_deg, said)
  const off = now.value.off_deg
  const angle = fixed(Math.abs(off), 1)
  told.value =
    Math.abs(off) < 0.05
      ? say('practice.it-was-right')
      : off > 0
        ? say('practice.it-was-high', { angle })
        : say('practice.it-was-low', { angle })
  window.clearTimeout(timer)
  timer = window.setTimeout(() => {
    if (number.value >= props.pictures) return emit('done', answers)
    number.value += 1
    now.value = next()
    show()
  }, TOLD_MS)
}
const CHOICES = [
  { said: 'high' as const, label: say('practice.high') },
  { said: 'right' as const, label: say('practice.right') },
  { said: 'low' as const, label: say('practice.low') },
]
useKeys({ ArrowUp: () => answer('high'), ArrowDown: () => answer('low'), ArrowRight: () => answer('right') })
</script>

<template>
  <div class="space-y-3">
    <p class="flex flex-wrap items-baseline gap-x-4">
      <b>{{ say('practice.picture-of', { number, all: pictures }) }}</b>
      <span role="status" class="text-lg font-bold">{{ told }}</span>
    </p>
    <Seat :scene="handed.drill.scene" :seat="handed.seat" :pose="pose" :label="say('practice.what-you-see')" />
    <div class="grid grid-cols-3 gap-2">
      <button
        v-for="one in CHOICES"
        :key="one.said"
        type="button"
        class="button !min-h-16 text-lg"
        :disabled="told !== ''"
        @click="answer(one.said)"
      >
        {{ one.label }}
      </button>
    </div>
    <p class="text-sm text-soft">{{ say('practice.path-keys') }}</p>
    <button v-if="number > LEAST" type="button" class="button" @click="emit('done', answers)">
      {{ say('practice.stop') }}
    </button>
  </div>
</template>
