<script setup lang="ts">
/** A dialog with a few fields, what was wrong with them, and the act that it asks for. */
import { say } from '@/said'
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

defineProps<{ title: string; act: string; problem: string }>()
const emit = defineEmits<{ close: []; confirm: [] }>()
</script>

<template>
  <Dialog :open="true" class="relative z-40" @close="emit('close')">
    <div class="fixed inset-0 bg-black/50" aria-hidden="true" />
    <div class="fixed inset-0 grid place-items-center overflow-y-auto p-3">
      <DialogPanel as="form" class="panel w-full max-w-md space-y-3" @submit.prevent="emit('confirm')">
        <DialogTitle class="text-xl font-bold">{{ title }}</DialogTitle>
        <slot />
        <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
        <div class="flex gap-2">
          <button type="submit" class="button button-main flex-1">{{ act }}</button>
          <button type="button" class="button flex-1" @click="emit('close')">{{ say('parts.leave-it') }}</button>
        </div>
      </DialogPanel>
    </div>
  </Dialog>
</template>
