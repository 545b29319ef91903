<script setup lang="ts">
/** Over whatever is open when a sign-in ends: sign in again and go on, with all that was typed. */
import { say } from '@/said'
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api } from '@/api/calls'
import { sessionQuery } from '@/api/queries'
import type { Session } from '@/api/types'
import SignInForm from './SignInForm.vue'

type Person = NonNullable<Session['person']>
const props = defineProps<{ person: Person; demo: readonly Person[] }>()
const emit = defineEmits<{ back: [same: boolean]; leave: [] }>()
const client = useQueryClient()
const problem = ref('')
const busy = ref(false)
const oneClick = computed(() => props.demo.find((one) => one.id === props.person.id))

async function entered(session: Session) {
  // an answer that was on its way before would say that nobody is signed in
  await client.cancelQueries({ queryKey: sessionQuery.queryKey })
  client.setQueryData(sessionQuery.queryKey, session)
  emit('back', session.person?.id === props.person.id)
}
async function enterDemo(id: number) {
  busy.value = true
  problem.value = ''
  try {
    await entered(await api.signInDemo(id))
  } catch (error) {
    problem.value = error instanceof Error ? error.message : say('common.signing-in-failed')
  }
  busy.value = false
}
</script>

<template>
  <Dialog :open="true" class="relative z-40" @close="() => undefined">
    <div class="fixed inset-0 bg-black/50" aria-hidden="true" />
    <div class="fixed inset-0 grid place-items-center overflow-y-auto p-3">
      <DialogPanel class="panel w-full max-w-md space-y-3">
        <DialogTitle class="text-xl font-bold">{{ say('parts.heading-your-sign-in-has-ended') }}</DialogTitle>
        <p>{{ say('parts.sign-in-again-and-go', { name: person.name }) }}</p>
        <button
          v-if="oneClick"
          type="button"
          class="button button-main w-full"
          :disabled="busy"
          @click="enterDemo(oneClick.id)"
        >
          {{ say('parts.go-on-as', { name: oneClick.name }) }}
        </button>
        <SignInForm v-else :label="say('parts.sign-in-again')" @entered="entered" />
        <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
        <button type="button" class="button w-full" @click="emit('leave')">{{ say('parts.leave-this-page') }}</button>
      </DialogPanel>
    </div>
  </Dialog>
</template>
