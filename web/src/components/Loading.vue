<script setup lang="ts">
/** What stands in place of a screen while it is fetched, or when that failed. */
defineProps<{ error: Error | null; retry: () => unknown }>()
</script>

<template>
  <div v-if="error" role="alert" class="panel mx-auto mt-8 max-w-lg">
    <p>{{ error.message }}</p>
    <button type="button" class="button mt-3" @click="retry()">Try again</button>
  </div>
  <p v-else class="p-8 text-center text-soft">Loading…</p>
</template>
