<script setup lang="ts">
/** All keys, on the key "?". */
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import type { Session } from '@/api/types'
import { STEPS } from '@/steps'

defineProps<{ version: Session['version'] | undefined }>()

const open = defineModel<boolean>({ required: true })
const KEYS: readonly (readonly [string, string])[] = [
  ...STEPS.map(({ key, label }) => [key, label] as const),
  ['T', 'Today'],
  ['/', 'Find a sortie (on Today)'],
  ['N', 'Next lap'],
  ['G', 'Go-around'],
  ['U', 'Undo'],
  ['[ ]', 'Lap before, lap after'],
  ['Space', 'Replay: play or stop; ← → a second, with Shift ten'],
  ['← →', 'On the strip: 10 ft; with Page keys 100 ft'],
  ['↑ ↓', 'On the strip: 2 ft to the side'],
]
</script>

<template>
  <Dialog :open="open" class="relative z-20" @close="open = false">
    <div class="fixed inset-0 bg-black/50" aria-hidden="true" />
    <div class="fixed inset-0 flex items-center justify-center p-4">
      <DialogPanel class="panel w-full max-w-md">
        <DialogTitle class="text-xl font-bold">Keys</DialogTitle>
        <dl class="mt-2 grid grid-cols-[5rem_1fr] gap-y-1">
          <template v-for="[key, what] in KEYS" :key="key">
            <dt class="figure font-bold">{{ key }}</dt>
            <dd>{{ what }}</dd>
          </template>
        </dl>
        <p v-if="version" class="mt-3 text-sm text-soft">
          Bullseye {{ version.software }}, touchdown model {{ version.model }}.
        </p>
        <button type="button" class="button mt-4" @click="open = false">Close</button>
      </DialogPanel>
    </div>
  </Dialog>
</template>
