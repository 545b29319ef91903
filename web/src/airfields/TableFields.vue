<script setup lang="ts">
/** The fields that a runway table has: one is found and taken. */
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
  <section class="panel" aria-label="Fields in the table">
    <label for="wanted" class="heading">Find one of {{ found.fields.length }} fields</label>
    <input id="wanted" v-model="wanted" class="field" />
    <ul class="mt-2 flex flex-wrap gap-1">
      <li v-for="one in shown" :key="one.ident">
        <button type="button" class="button" @click="$emit('take', one)">
          {{ one.ident }}: {{ one.runways }} runways
        </button>
      </li>
    </ul>
    <details v-if="found.left_out.length" class="mt-2 text-sm">
      <summary>{{ found.left_out.length }} lines were left out</summary>
      <p v-for="text in found.left_out" :key="text">{{ text }}</p>
    </details>
  </section>
</template>
