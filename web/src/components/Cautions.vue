<script setup lang="ts">
/** Cautions stay in sight: short, beside the numbers they are about. */
defineProps<{ cautions: readonly string[] }>()
</script>

<template>
  <ul class="space-y-1 rounded-lg border-l-4 border-warn bg-warn-wash px-3 py-2 text-sm" aria-label="Cautions">
    <li v-for="(text, i) in cautions" :key="text" :class="i < cautions.length - 1 ? 'font-bold' : ''">
      <span aria-hidden="true">▲ </span>{{ text }}
    </li>
  </ul>
</template>
