<script setup lang="ts">
/** Cautions stay in sight: short, beside the numbers they are about. The general one stands at the foot of the screen. */
defineProps<{ cautions: readonly string[] }>()
</script>

<template>
  <ul
    v-if="cautions.length"
    class="space-y-1 rounded-lg border-l-4 border-warn bg-warn-wash px-3 py-2 font-bold"
    aria-label="Cautions"
  >
    <li v-for="text in cautions" :key="text"><span aria-hidden="true">▲ </span>{{ text }}</li>
  </ul>
</template>
