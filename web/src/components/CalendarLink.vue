<script setup lang="ts">
/** The secret link by which a calendar program reads one's own sorties. */
import { say } from '@/said'
import { ref } from 'vue'
import { api } from '@/api/calls'
import { useWrite } from '@/composables/useWrite'

const address = ref('')
const ended = ref(false)
const { write, problem } = useWrite({ otherwise: say('parts.the-link-was-not-made') })
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
    <summary class="min-h-11 cursor-pointer font-bold leading-[44px]">{{ say('parts.in-your-own-calendar') }}</summary>
    <p class="text-sm">
      {{ say('parts.a-link-for-your-calendar') }}
    </p>
    <p
      v-if="address"
      class="figure mt-2 break-all rounded bg-paper p-2 text-sm"
      :aria-label="say('parts.calendar-link')"
    >
      {{ address }}
    </p>
    <p v-if="ended" role="status" class="mt-2">{{ say('parts.the-link-has-ended') }}</p>
    <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
    <div class="mt-2 flex flex-wrap gap-2">
      <button type="button" class="button" @click="make">{{ say('parts.make-a-link') }}</button>
      <button type="button" class="button" @click="end">{{ say('parts.end-the-link') }}</button>
    </div>
  </details>
</template>
