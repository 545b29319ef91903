<script setup lang="ts">
/** Consent to record this tablet's position, and what it does and costs while it records. */
import { say } from '@/said'
import { computed } from 'vue'
import { useTrack } from '@/offline/track'
import { round } from '@/words'

const props = defineProps<{ sortieId: number; personId: number }>()
const track = useTrack()
const isOn = computed(() => track.sortieId === props.sortieId)
const battery = computed(() =>
  track.batteryPerHour === null
    ? say('parts.the-battery-is-measured-after')
    : say('parts.battery-an-hour', { battery_per_hour: round(track.batteryPerHour) }),
)
</script>

<template>
  <div class="flex flex-wrap items-center gap-x-3 gap-y-1">
    <button
      type="button"
      role="switch"
      class="button !min-h-14"
      :class="isOn ? 'button-main' : ''"
      :aria-checked="isOn"
      @click="isOn ? track.stop() : track.start(sortieId, personId)"
    >
      {{ isOn ? say('parts.recording-position-stop') : say('parts.record-position') }}
    </button>
    <p class="min-w-0 flex-1 text-sm" :class="isOn ? '' : 'text-soft'">
      <template v-if="isOn">
        {{
          say('parts.positions-in-min-m', {
            fixes: track.fixes,
            minutes: track.minutes,
            accuracy_m: round(track.accuracyM),
            battery,
          })
        }}
      </template>
      <template v-else>
        {{ say('parts.this-tablets-own-position-becomes') }}
      </template>
    </p>
    <p v-if="track.problem" role="alert" class="w-full font-bold text-fail-ink">{{ track.problem }}</p>
  </div>
</template>
