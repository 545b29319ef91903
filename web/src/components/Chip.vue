<script setup lang="ts">
/** One thing that was so or was not, by one tap: large enough for a thumb in turbulence. */
defineProps<{ on: boolean; slight?: string }>()
</script>

<template>
  <button
    type="button"
    class="chip"
    :class="on ? (slight ? '!border-2 !border-ink' : 'button-main') : ''"
    :aria-pressed="on"
  >
    <span v-if="on" aria-hidden="true">{{ slight ? '◔ ' : '✓ ' }}</span><slot /><span
      v-if="on && slight"
      class="font-normal"
      >{{ ` ${slight}` }}</span
    >
  </button>
</template>
