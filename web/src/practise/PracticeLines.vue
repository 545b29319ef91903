<script setup lang="ts">
/** What was practised, latest first. */
import { say } from '@/said'
import type { PracticeLine } from '@/api/types'
import { day } from '@/words'
import { figureWords } from '@/practise/words'

defineProps<{ lines: readonly PracticeLine[] }>()
</script>

<template>
  <p v-if="!lines.length" class="text-soft">{{ say('practice.nothing-yet') }}</p>
  <ul v-else class="divide-y divide-line">
    <li v-for="one in lines" :key="one.id" class="flex flex-wrap items-baseline gap-x-3 py-1">
      <b>{{ one.drill === 'path' ? say('practice.path') : say('practice.roundout') }}</b>
      <span class="figure">{{ figureWords(one) }}</span>
      <span class="text-sm text-soft">
        {{ day(one.practised_at.slice(0, 10)) }} · {{ one.conditions.runway }} · {{ one.conditions.aircraft }} ·
        {{ say('practice.of-items', { items: one.items }) }}
      </span>
    </li>
  </ul>
</template>
