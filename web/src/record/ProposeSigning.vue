<script setup lang="ts">
/** Noting after the flight what is to be signed, also without a network: nothing is signed before the password is given. */
import { say } from '@/said'
import { ref } from 'vue'
import { RouterLink } from 'vue-router'
import type { Sortie } from '@/api/types'
import { device } from '@/offline/device'
import { newId } from '@/offline/ids'
import { LANDING_LABEL } from '@/words'

const props = defineProps<{ sortie: Sortie; personId: number }>()
const words = ref('')
const noted = ref(false)
const problem = ref('')
async function keep() {
  problem.value = ''
  try {
    await device.proposals.add({
      id: newId(),
      person_id: props.personId,
      student_id: props.sortie.student.id,
      student_name: props.sortie.student.name,
      landing: props.sortie.landing,
      words: words.value.trim() || LANDING_LABEL[props.sortie.landing],
      noted_at: new Date().toISOString(),
    })
    noted.value = true
    words.value = ''
  } catch {
    problem.value = say('record.this-device-keeps-nothing-just')
  }
}
</script>

<template>
  <section class="panel" aria-labelledby="propose">
    <h2 id="propose" class="text-lg font-bold">
      {{ say('record.to-be-signed', { landing: LANDING_LABEL[sortie.landing] }) }}
    </h2>
    <form class="mt-1 flex flex-wrap items-end gap-3" @submit.prevent="keep">
      <label class="min-w-0 flex-1">
        <span class="heading">{{ say('record.what-you-will-sign-in') }}</span>
        <input
          v-model="words"
          class="field"
          maxlength="400"
          :placeholder="say('record.steady', { landing: LANDING_LABEL[sortie.landing] })"
        />
      </label>
      <button type="submit" class="button">{{ say('record.note-it-for-signing') }}</button>
    </form>
    <p v-if="noted" role="status" class="mt-1">
      {{ say('record.noted-sign-it-on') }}
      <RouterLink class="underline" :to="`/students/${sortie.student.id}`">{{
        say('record.s-page', { name: sortie.student.name })
      }}</RouterLink>
      {{ say('record.when-there-is-a-network') }}
    </p>
    <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
  </section>
</template>
