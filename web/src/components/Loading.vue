<script setup lang="ts">
/** What stands in place of a screen while it is fetched, when that takes long, or when it failed. */
import { say } from '@/said'
import { onUnmounted, ref } from 'vue'

defineProps<{ error: Error | null; retry: () => unknown }>()
const LONG_MS = 4_000
const isLong = ref(false)
const timer = window.setTimeout(() => (isLong.value = true), LONG_MS)
onUnmounted(() => window.clearTimeout(timer))
</script>

<template>
  <div v-if="error" role="alert" class="panel mx-auto mt-8 max-w-lg">
    <p>{{ error.message }}</p>
    <button type="button" class="button mt-3" @click="retry()">{{ say('common.try-again') }}</button>
  </div>
  <div v-else role="status" class="p-8 text-center text-soft">
    <p>{{ say('common.loading') }}</p>
    <p v-if="isLong" class="mx-auto mt-2 max-w-lg text-ink">
      {{ say('parts.the-network-is-slow-still') }}
    </p>
  </div>
</template>
