<script setup lang="ts">
/** Asks for the new name of somebody. */
import { say } from '@/said'
import { ref } from 'vue'
import FormDialog from './FormDialog.vue'

const props = defineProps<{ name: string; problem: string }>()
const emit = defineEmits<{ close: []; confirm: [name: string] }>()
const name = ref(props.name)
</script>

<template>
  <FormDialog
    :title="say('parts.rename', { name: props.name })"
    act="Rename"
    :problem="problem"
    @close="emit('close')"
    @confirm="emit('confirm', name.trim())"
  >
    <p>{{ say('parts.their-laps-sign-offs-and') }}</p>
    <div>
      <label for="new-name" class="heading">{{ say('parts.new-name') }}</label>
      <input id="new-name" v-model="name" class="field" required maxlength="80" />
    </div>
  </FormDialog>
</template>
