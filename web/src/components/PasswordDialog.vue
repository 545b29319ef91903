<script setup lang="ts">
/** Asks for one's own password before something that needs it. */
import { say } from '@/said'
import { ref } from 'vue'
import FormDialog from './FormDialog.vue'

defineProps<{ title: string; words: string; act: string; problem: string }>()
const emit = defineEmits<{ close: []; confirm: [password: string] }>()
const password = ref('')
</script>

<template>
  <FormDialog :title="title" :act="act" :problem="problem" @close="emit('close')" @confirm="emit('confirm', password)">
    <p>{{ words }}</p>
    <div>
      <label for="own-password" class="heading">{{ say('parts.your-own-password') }}</label>
      <input
        id="own-password"
        v-model="password"
        type="password"
        class="field"
        autocomplete="current-password"
        required
      />
    </div>
  </FormDialog>
</template>
