<script setup lang="ts">
/** What went wrong and was told nowhere else. */
import { say } from '@/said'
import { trouble } from '@/trouble'

const reload = () => window.location.reload()
</script>

<template>
  <p
    v-if="trouble.words.value"
    role="alert"
    class="flex flex-wrap items-center gap-3 border-b border-line bg-warn-wash px-4 py-1 font-bold print:hidden"
  >
    <span class="flex-1"><span aria-hidden="true">▲ </span>{{ trouble.words.value }}</span>
    <button type="button" class="button" @click="reload">{{ say('parts.reload') }}</button>
    <button type="button" class="button" @click="trouble.clear()">{{ say('common.close') }}</button>
  </p>
</template>
