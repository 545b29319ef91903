<script setup lang="ts">
/** Consent to record this tablet's position, and what it does and costs while it records. */
import { computed } from 'vue'
import { useTrack } from '@/offline/track'
import { round } from '@/words'

const props = defineProps<{ sortieId: number; personId: number }>()
const track = useTrack()
const isOn = computed(() => track.sortieId === props.sortieId)
const battery = computed(() =>
  track.batteryPerHour === null
    ? 'the battery is measured after ten minutes'
    : `battery ${round(track.batteryPerHour)} % an hour`,
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
      {{ isOn ? '● Recording position: stop' : 'Record position' }}
    </button>
    <p class="min-w-0 flex-1 text-sm" :class="isOn ? '' : 'text-soft'">
      <template v-if="isOn">
        {{ track.fixes }} positions in {{ track.minutes }} min, ±{{ round(track.accuracyM) }} m; {{ battery }}.
      </template>
      <template v-else>
        This tablet’s own position becomes the sortie’s track: kept here, sent with the laps. The receiver and a lit
        screen usually take 10 to 20 % of the battery an hour.
      </template>
    </p>
    <p v-if="track.problem" role="alert" class="w-full font-bold text-fail-ink">{{ track.problem }}</p>
  </div>
</template>
