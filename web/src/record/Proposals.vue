<script setup lang="ts">
/** What was noted for signing on this device: each waits until it is signed with the password, or dropped. */
import { say } from '@/said'
import { liveQuery } from 'dexie'
import { onUnmounted, ref } from 'vue'
import { device, type Proposal } from '@/offline/device'
import { day, LANDING_LABEL } from '@/words'

const props = defineProps<{ studentId: number; personId: number }>()
const emit = defineEmits<{ sign: [proposal: Proposal] }>()
const waiting = ref<Proposal[]>([])
const watched = liveQuery(() => device.proposals.where('student_id').equals(props.studentId).toArray()).subscribe({
  next: (rows) => (waiting.value = rows.filter((one) => one.person_id === props.personId)),
  error: () => undefined, // a browser that keeps nothing has nothing waiting
})
onUnmounted(() => watched.unsubscribe())
</script>

<template>
  <section v-if="waiting.length" class="panel border-l-8 !border-l-spot" :aria-label="say('record.noted-for-signing')">
    <h2 class="text-lg font-bold">{{ say('record.noted-on-this-device-not') }}</h2>
    <ul class="divide-y divide-line">
      <li v-for="one in waiting" :key="one.id" class="flex flex-wrap items-center gap-3 py-1">
        <span class="min-w-0 flex-1">
          <b>{{ LANDING_LABEL[one.landing] }}</b> “{{ one.words }}”
          <span class="text-sm text-soft">{{ day(one.noted_at.slice(0, 10)) }}</span>
        </span>
        <button type="button" class="button button-main" @click="emit('sign', one)">{{ say('record.sign-it') }}</button>
        <button type="button" class="button" @click="device.proposals.delete(one.id)">
          {{ say('record.drop-it') }}
        </button>
      </li>
    </ul>
  </section>
</template>
