<script setup lang="ts">
/** One thing that was so or was not, by one tap: large enough for a thumb in turbulence. */
defineProps<{ on: boolean }>()
</script>

<template>
  <button type="button" class="chip" :class="on ? 'button-main' : ''" :aria-pressed="on">
    <span v-if="on" aria-hidden="true">✓ </span><slot />
  </button>
</template>
