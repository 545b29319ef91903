<script setup lang="ts">
/** One number to be read in two seconds. */
defineProps<{ label: string; value: string; unit?: string; note?: string; tone?: 'aim' | 'spot' | 'pass' | 'fail' }>()
const TONE = { aim: 'text-aim-ink', spot: 'text-spot-ink', pass: 'text-pass-ink', fail: 'text-fail-ink' }
</script>

<template>
  <div class="panel min-w-0 !px-2 !py-2 sm:!px-4">
    <p class="heading">{{ label }}</p>
    <p class="figure text-2xl leading-none min-[480px]:text-3xl sm:text-4xl" :class="tone ? TONE[tone] : ''">
      {{ value }}<span v-if="unit" class="unit">{{ unit }}</span>
    </p>
    <p v-if="note" class="mt-1 text-sm leading-tight">{{ note }}</p>
  </div>
</template>
