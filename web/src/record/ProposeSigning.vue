<script setup lang="ts">
/** Noting after the flight what is to be signed, also without a network: nothing is signed before the password is given. */
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
    problem.value = 'This device keeps nothing just now. Sign on the student’s page when there is a network.'
  }
}
</script>

<template>
  <section class="panel" aria-labelledby="propose">
    <h2 id="propose" class="text-lg font-bold">To be signed: {{ LANDING_LABEL[sortie.landing] }}</h2>
    <form class="mt-1 flex flex-wrap items-end gap-3" @submit.prevent="keep">
      <label class="min-w-0 flex-1">
        <span class="heading">What you will sign, in your words</span>
        <input
          v-model="words"
          class="field"
          maxlength="400"
          :placeholder="`${LANDING_LABEL[sortie.landing]}: steady`"
        />
      </label>
      <button type="submit" class="button">Note it for signing</button>
    </form>
    <p v-if="noted" role="status" class="mt-1">
      Noted on this device, not signed: sign it with your password on
      <RouterLink class="underline" :to="`/students/${sortie.student.id}`">{{ sortie.student.name }}’s page</RouterLink>
      when there is a network.
    </p>
    <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
  </section>
</template>
