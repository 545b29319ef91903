<script setup lang="ts">
/** Asks for the new name of somebody. */
import { ref } from 'vue'
import FormDialog from './FormDialog.vue'

const props = defineProps<{ name: string; problem: string }>()
const emit = defineEmits<{ close: []; confirm: [name: string] }>()
const name = ref(props.name)
</script>

<template>
  <FormDialog
    :title="`Rename ${props.name}`"
    act="Rename"
    :problem="problem"
    @close="emit('close')"
    @confirm="emit('confirm', name.trim())"
  >
    <p>Their laps, sign-offs and logbook stay theirs. What is printed from now on has the new name.</p>
    <div>
      <label for="new-name" class="heading">New name</label>
      <input id="new-name" v-model="name" class="field" required maxlength="80" />
    </div>
  </FormDialog>
</template>
