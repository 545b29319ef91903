<script setup lang="ts">
/** The lesson in the order people work: at the left on a tablet, at the bottom on a phone. */
import { say } from '@/said'
import { RouterLink } from 'vue-router'
import TakeAlong from '@/components/TakeAlong.vue'
import { STEPS } from '@/steps'

defineProps<{ sortieId: number }>()
</script>

<template>
  <nav
    :aria-label="say('parts.lesson')"
    class="fixed inset-x-0 bottom-0 z-10 flex print:hidden border-t border-line bg-card lg:sticky lg:top-0 lg:h-dvh lg:w-24 lg:flex-col lg:border-r lg:border-t-0 lg:pt-12"
  >
    <RouterLink
      v-for="step in STEPS"
      :key="step.name"
      :to="{ name: step.name, params: { id: sortieId } }"
      class="flex min-h-16 flex-1 items-center justify-center border-b-4 border-transparent px-1 text-center font-bold text-soft lg:flex-none lg:border-b-0 lg:border-l-4"
      active-class="!border-spot !text-ink bg-paper"
    >
      {{ step.label }}
    </RouterLink>
    <TakeAlong :key="sortieId" :sortie-id="sortieId" class="hidden lg:mt-auto lg:block lg:pb-12" />
  </nav>
</template>
