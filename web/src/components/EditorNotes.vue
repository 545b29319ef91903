<script setup lang="ts">
import { say } from '@/said'
import type { Difference } from '@/differences'

/** What keeping said: done, or what is wrong and where, or that somebody else was faster. */
defineProps<{
  problem: string
  fields: Record<string, string>
  saved: string
  /** What somebody else has kept otherwise meanwhile. */
  differs?: readonly Difference[] | null
}>()
const emit = defineEmits<{ theirs: []; mine: [] }>()
</script>

<template>
  <p v-if="saved && !problem" role="status" class="font-bold text-pass-ink">
    <span aria-hidden="true">✓ </span>{{ saved }}
  </p>
  <div v-if="problem" role="alert" class="font-bold text-fail-ink">
    <p>{{ problem }}</p>
    <ul class="list-disc pl-6">
      <li v-for="(text, field) in fields" :key="field">
        <span class="figure">{{ String(field).replace(/^spec\./, '') }}</span>: {{ text }}
      </li>
    </ul>
    <table v-if="differs?.length" class="my-2 w-full max-w-3xl text-left text-sm font-normal text-ink">
      <thead>
        <tr class="border-b border-line text-soft">
          <th class="py-1 pr-3">{{ say('parts.what-differs') }}</th>
          <th class="pr-3">{{ say('parts.theirs') }}</th>
          <th>{{ say('parts.yours') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in differs.slice(0, 12)" :key="one.what" class="border-b border-line align-top">
          <td class="py-1 pr-3">{{ one.what }}</td>
          <td class="break-words pr-3">{{ one.theirs }}</td>
          <td class="break-words">{{ one.mine }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="differs && differs.length > 12" class="text-sm font-normal text-soft">
      {{ say('parts.and-more', { differs: differs.length - 12 }) }}
    </p>
    <div v-if="differs" class="mt-2 flex flex-wrap items-center gap-2">
      <button type="button" class="button" @click="emit('theirs')">{{ say('parts.go-on-with-theirs-and') }}</button>
      <button type="button" class="button" @click="emit('mine')">{{ say('parts.write-mine-over-theirs') }}</button>
    </div>
  </div>
</template>
