<script setup lang="ts">
/** Whether this sortie is on the device, and the button that puts it there. */
import { locale, say } from '@/said'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api } from '@/api/calls'
import { useAboard } from '@/composables/useAboard'
import { checkStorage, keepSession, keptSession } from '@/offline/device'
import { keepAboard } from '@/offline/aboard'
import { sessionQuery } from '@/api/queries'
import type { Session } from '@/api/types'

const props = defineProps<{ sortieId: number }>()
const client = useQueryClient()
const aboard = useAboard(props.sortieId)
const busy = ref(false)
const problem = ref('')
const at = computed(() =>
  aboard.value
    ? new Date(aboard.value.taken_at).toLocaleTimeString(locale(), { hour: '2-digit', minute: '2-digit' })
    : '',
)
const session = useQuery(sessionQuery)
/** An older Bullseye took it along: a figure may stand in it as that one worked it out. */
const isOld = computed(() => {
  const running = session.data.value?.version?.software
  return !!aboard.value && !!running && aboard.value.software !== running
})
async function take() {
  busy.value = true
  problem.value = ''
  try {
    const state = await checkStorage()
    problem.value = state.warning
    if (state.works) {
      const session = client.getQueryData<Session>(sessionQuery.queryKey) ?? (await keptSession())
      if (session?.person) {
        await keepSession(session)
        await keepAboard(session.person.id, await api.aboard(props.sortieId))
      }
    }
  } catch (error) {
    problem.value = error instanceof Error ? error.message : say('parts.it-could-not-be-taken')
  }
  busy.value = false
}
</script>

<template>
  <div>
    <button
      type="button"
      class="min-h-14 w-full rounded px-2 text-sm font-bold leading-tight"
      :class="aboard && !isOld ? 'text-pass-ink' : 'underline'"
      :disabled="busy"
      :title="aboard ? say('parts.on-this-device-tap-to') : say('parts.put-this-sortie-on-the')"
      @click="take"
    >
      <template v-if="busy">{{ say('parts.taking-along') }}</template>
      <template v-else-if="isOld">{{ say('parts.aboard-as-an-older-bullseye') }}</template>
      <template v-else-if="aboard">{{ say('parts.aboard', { at }) }}</template>
      <template v-else>{{ say('parts.take-along') }}</template>
    </button>
    <p v-if="problem" role="alert" class="bg-warn-wash p-1 text-sm font-bold">{{ problem }}</p>
  </div>
</template>
