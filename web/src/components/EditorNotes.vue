<script setup lang="ts">
/** What keeping said: done, or what is wrong and where, or that somebody else was faster. */
defineProps<{
  problem: string
  fields: Record<string, string>
  saved: string
  isChanged?: boolean
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
    <div v-if="isChanged" class="mt-2 flex flex-wrap items-center gap-2">
      <button type="button" class="button" @click="emit('theirs')">Go on with theirs, and lose mine</button>
      <button type="button" class="button" @click="emit('mine')">Write mine over theirs</button>
    </div>
  </div>
</template>
