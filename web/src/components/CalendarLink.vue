<script setup lang="ts">
/** The secret link by which a calendar program reads one's own sorties. */
import { ref } from 'vue'
import { api } from '@/api/calls'
import { useWrite } from '@/composables/useWrite'

const address = ref('')
const ended = ref(false)
const { write, problem } = useWrite({ otherwise: 'The link was not made.' })
async function make() {
  const written = await write({ call: api.makeCalendarLink })
  if (!written) return
  address.value = new URL(written.answer.path, window.location.href).href
  ended.value = false
}
async function end() {
  if (await write({ call: api.endCalendarLink })) {
    address.value = ''
    ended.value = true
  }
}
</script>

<template>
  <details class="panel">
    <summary class="min-h-11 cursor-pointer font-bold leading-[44px]">In your own calendar</summary>
    <p class="text-sm">
      A link for your calendar program shows your sorties, a month back and a year ahead. Whoever has the link can read
      them; a new link ends the old one.
    </p>
    <p v-if="address" class="figure mt-2 break-all rounded bg-paper p-2 text-sm" aria-label="Calendar link">
      {{ address }}
    </p>
    <p v-if="ended" role="status" class="mt-2">The link has ended.</p>
    <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
    <div class="mt-2 flex flex-wrap gap-2">
      <button type="button" class="button" @click="make">Make a link</button>
      <button type="button" class="button" @click="end">End the link</button>
    </div>
  </details>
</template>
