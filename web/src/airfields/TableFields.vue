<script setup lang="ts">
/** The fields that a runway table has: one is found and taken. */
import { say } from '@/said'
import { computed, ref } from 'vue'
import type { api } from '@/api/calls'

type Found = Awaited<ReturnType<typeof api.readRunwayTable>>
const props = defineProps<{ found: Found }>()
defineEmits<{ take: [field: Found['fields'][number]] }>()
const wanted = ref('')
const shown = computed(() =>
  props.found.fields.filter((one) => one.ident.toLowerCase().includes(wanted.value.toLowerCase())).slice(0, 40),
)
</script>

<template>
  <section class="panel" :aria-label="say('fields.fields-in-the-table')">
    <label for="wanted" class="heading">{{ say('fields.find-one-of-fields', { fields: found.fields.length }) }}</label>
    <input id="wanted" v-model="wanted" class="field" />
    <ul class="mt-2 flex flex-wrap gap-1">
      <li v-for="one in shown" :key="one.ident">
        <button type="button" class="button" @click="$emit('take', one)">
          {{ say('fields.runways', { ident: one.ident, runways: one.runways }) }}
        </button>
      </li>
    </ul>
    <details v-if="found.left_out.length" class="mt-2 text-sm">
      <summary>{{ say('fields.lines-were-left-out', { left_out: found.left_out.length }) }}</summary>
      <p v-for="text in found.left_out" :key="text">{{ text }}</p>
    </details>
  </section>
</template>
