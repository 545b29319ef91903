<script setup lang="ts">
/** Over whatever is open when a sign-in ends: sign in again and go on, with all that was typed. */
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { ApiError } from '@/api/client'
import { api, sessionQuery } from '@/api/queries'
import type { Session } from '@/api/types'

type Person = NonNullable<Session['person']>
const props = defineProps<{ person: Person; demo: readonly Person[] }>()
const emit = defineEmits<{ back: [same: boolean]; leave: [] }>()
const client = useQueryClient()
const login = ref('')
const password = ref('')
/** Of the authenticator app; asked for once the password is right. */
const code = ref('')
const needsCode = ref(false)
const problem = ref('')
const busy = ref(false)
const oneClick = computed(() => props.demo.find((one) => one.id === props.person.id))

async function enter(call: () => Promise<Session>) {
  busy.value = true
  problem.value = ''
  try {
    const session = await call()
    client.setQueryData(sessionQuery.queryKey, session)
    emit('back', session.person?.id === props.person.id)
  } catch (error) {
    if (error instanceof ApiError && error.code === 'second_factor') needsCode.value = true
    problem.value = error instanceof Error ? error.message : 'Signing in failed.'
  }
  busy.value = false
}
</script>

<template>
  <Dialog :open="true" class="relative z-40" @close="() => undefined">
    <div class="fixed inset-0 bg-black/50" aria-hidden="true" />
    <div class="fixed inset-0 grid place-items-center overflow-y-auto p-3">
      <DialogPanel class="panel w-full max-w-md space-y-3">
        <DialogTitle class="text-xl font-bold">Your sign-in has ended</DialogTitle>
        <p>Sign in again and go on where you were, {{ person.name }}. What you have typed is still here.</p>
        <button
          v-if="oneClick"
          type="button"
          class="button button-main w-full"
          :disabled="busy"
          @click="enter(() => api.signInDemo(oneClick!.id))"
        >
          Go on as {{ oneClick.name }}
        </button>
        <form v-else class="space-y-3" @submit.prevent="enter(() => api.signIn(login, password, code))">
          <div>
            <label for="again-login" class="heading">Login</label>
            <input id="again-login" v-model="login" class="field" autocomplete="username" required maxlength="120" />
          </div>
          <div>
            <label for="again-password" class="heading">Password</label>
            <input
              id="again-password"
              v-model="password"
              class="field"
              type="password"
              autocomplete="current-password"
              required
              maxlength="200"
            />
          </div>
          <div v-if="needsCode">
            <label for="again-code" class="heading">Code of your authenticator app, or one from your paper</label>
            <input
              id="again-code"
              v-model="code"
              class="field"
              autocomplete="one-time-code"
              inputmode="text"
              required
              maxlength="20"
            />
          </div>
          <button type="submit" class="button button-main w-full" :disabled="busy">Sign in again</button>
        </form>
        <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
        <button type="button" class="button w-full" @click="emit('leave')">Leave this page</button>
      </DialogPanel>
    </div>
  </Dialog>
</template>
