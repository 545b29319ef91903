<script setup lang="ts">
/** Flows of the hand and callouts, ticked through one by one; the ticks live on this device until cleared. */
import { say } from '@/said'
import { computed, ref } from 'vue'
import type { Plan } from '@/api/types'

const props = defineProps<{ flows: Plan['flows']; phases?: readonly string[] }>()
const shown = computed(() => props.flows.filter((flow) => !props.phases || props.phases.includes(flow.phase)))
const ticked = ref(new Set<string>())
function tick(key: string) {
  if (!ticked.value.delete(key)) ticked.value.add(key)
}
const next = (phase: string, items: readonly string[]) => items.find((item) => !ticked.value.has(`${phase}/${item}`))
</script>

<template>
  <section v-if="shown.length" class="panel" aria-labelledby="flows">
    <div class="flex items-center">
      <h2 id="flows" class="flex-1 text-lg font-bold">{{ say('common.flows-and-callouts') }}</h2>
      <button v-if="ticked.size" type="button" class="button" @click="ticked.clear()">
        {{ say('parts.clear-ticks') }}
      </button>
    </div>
    <div class="mt-1 grid gap-x-6 gap-y-3 md:grid-cols-2">
      <div v-for="flow in shown" :key="flow.phase">
        <h3 class="heading">{{ flow.phase }}</h3>
        <ul>
          <li v-for="item in flow.items" :key="item">
            <button
              type="button"
              class="flex min-h-11 w-full items-center gap-2 border-b border-line text-left"
              :class="next(flow.phase, flow.items) === item ? 'font-bold' : ''"
              :aria-pressed="ticked.has(`${flow.phase}/${item}`)"
              @click="tick(`${flow.phase}/${item}`)"
            >
              <span
                class="inline-grid h-6 w-6 shrink-0 place-items-center rounded border-2 border-ink text-lg leading-none"
                aria-hidden="true"
              >
                {{ ticked.has(`${flow.phase}/${item}`) ? '✓' : '' }}
              </span>
              {{ item }}
            </button>
          </li>
        </ul>
        <p v-for="call in flow.callouts ?? []" :key="call" class="mt-1">“{{ call }}”</p>
      </div>
    </div>
  </section>
</template>
