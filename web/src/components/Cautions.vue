<script setup lang="ts">
/** Cautions stay in sight: short, beside the numbers they are about. The general one stands at the foot of the screen. */
import { computed } from 'vue'

const props = defineProps<{ cautions: readonly string[] }>()
const particular = computed(() => props.cautions.slice(0, -1))
</script>

<template>
  <ul
    v-if="particular.length"
    class="space-y-1 rounded-lg border-l-4 border-warn bg-warn-wash px-3 py-2 font-bold"
    aria-label="Cautions"
  >
    <li v-for="text in particular" :key="text"><span aria-hidden="true">▲ </span>{{ text }}</li>
  </ul>
</template>
