<script setup lang="ts">
/** All keys, on the key "?". */
import { say } from '@/said'
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import type { Session } from '@/api/types'
import { STEPS } from '@/steps'

defineProps<{ version: Session['version'] | undefined }>()

const open = defineModel<boolean>({ required: true })
const KEYS: readonly (readonly [string, string])[] = [
  ...STEPS.map(({ key, label }) => [key, label] as const),
  ['T', say('common.today')],
  ['/', say('parts.find-a-sortie-on-today')],
  ['N', say('common.next-lap')],
  ['G', say('common.go-around')],
  ['U', say('common.undo')],
  ['[ ]', say('parts.lap-before-lap-after')],
  [say('parts.space'), say('parts.replay-play-or-stop-a')],
  ['← →', say('parts.on-the-strip-10-ft')],
  ['↑ ↓', say('parts.on-the-strip-2-ft')],
]
</script>

<template>
  <Dialog :open="open" class="relative z-20" @close="open = false">
    <div class="fixed inset-0 bg-black/50" aria-hidden="true" />
    <div class="fixed inset-0 flex items-center justify-center p-4">
      <DialogPanel class="panel w-full max-w-md">
        <DialogTitle class="text-xl font-bold">{{ say('common.keys') }}</DialogTitle>
        <dl class="mt-2 grid grid-cols-[5rem_1fr] gap-y-1">
          <template v-for="[key, what] in KEYS" :key="key">
            <dt class="figure font-bold">{{ key }}</dt>
            <dd>{{ what }}</dd>
          </template>
        </dl>
        <p v-if="version" class="mt-3 text-sm text-soft">
          {{ say('parts.bullseye-touchdown-model', { software: version.software, model: version.model }) }}
        </p>
        <button type="button" class="button mt-4" @click="open = false">{{ say('common.close') }}</button>
      </DialogPanel>
    </div>
  </Dialog>
</template>
