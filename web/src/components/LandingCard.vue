<script setup lang="ts">
/** The card of a landing: steps in order, where to look, the three usual mistakes, when to go around. */
import type { Brief } from '@/api/types'

defineProps<{ card: Brief['card']; crosswind: Brief['crosswind'] }>()
</script>

<template>
  <section class="panel" aria-labelledby="card">
    <h2 id="card" class="text-lg font-bold">{{ card.title }}</h2>
    <p class="text-soft">{{ card.different }}</p>
    <p v-if="crosswind" class="mt-2 border-l-4 border-aim pl-2 font-bold">{{ crosswind.words }}</p>
    <div class="mt-2 grid gap-x-6 gap-y-2 md:grid-cols-2">
      <ol class="list-decimal space-y-1 pl-6">
        <li v-for="step in card.steps" :key="step">{{ step }}</li>
      </ol>
      <div class="space-y-2">
        <p><b>Look at:</b> {{ card.look }}</p>
        <div>
          <b>Usual mistakes</b>
          <ul class="list-disc pl-6">
            <li v-for="mistake in card.mistakes" :key="mistake">{{ mistake }}</li>
          </ul>
        </div>
        <p class="border-l-4 border-warn bg-warn-wash px-2 py-1 font-bold">
          <span aria-hidden="true">▲ </span>{{ card.go_around }}
        </p>
      </div>
    </div>
  </section>
</template>
