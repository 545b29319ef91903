<script setup lang="ts">
/** Asks for the new name of somebody. */
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { ref } from 'vue'

const props = defineProps<{ name: string; problem: string }>()
const emit = defineEmits<{ close: []; confirm: [name: string] }>()
const name = ref(props.name)
</script>

<template>
  <Dialog :open="true" class="relative z-40" @close="emit('close')">
    <div class="fixed inset-0 bg-black/50" aria-hidden="true" />
    <div class="fixed inset-0 grid place-items-center overflow-y-auto p-3">
      <DialogPanel as="form" class="panel w-full max-w-md space-y-3" @submit.prevent="emit('confirm', name.trim())">
        <DialogTitle class="text-xl font-bold">Rename {{ props.name }}</DialogTitle>
        <p>Their laps, sign-offs and logbook stay theirs. What is printed from now on has the new name.</p>
        <div>
          <label for="new-name" class="heading">New name</label>
          <input id="new-name" v-model="name" class="field" required maxlength="80" />
        </div>
        <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
        <div class="flex gap-2">
          <button type="submit" class="button button-main flex-1">Rename</button>
          <button type="button" class="button flex-1" @click="emit('close')">Leave it</button>
        </div>
      </DialogPanel>
    </div>
  </Dialog>
</template>
