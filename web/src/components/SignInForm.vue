<script setup lang="ts">
/** Login and password; a code beside them for those who have a second factor, asked for once the password is right. */
import { say } from '@/said'
import { ref } from 'vue'
import { ApiError } from '@/api/client'
import { api } from '@/api/calls'
import type { Session } from '@/api/types'

defineProps<{ label: string; sendsLinks?: boolean | undefined }>()
const emit = defineEmits<{ entered: [session: Session] }>()
const login = ref('')
const password = ref('')
const code = ref('')
const needsCode = ref(false)
const problem = ref('')
const busy = ref(false)

async function enter() {
  busy.value = true
  problem.value = ''
  try {
    emit('entered', await api.signIn(login.value, password.value, code.value))
  } catch (error) {
    if (error instanceof ApiError && error.code === 'second_factor') needsCode.value = true
    problem.value = error instanceof Error ? error.message : say('common.signing-in-failed')
  }
  busy.value = false
}

/** Who has forgotten their password gets a link, where the school's server sends mail. */
const sent = ref('')
async function sendLink() {
  problem.value = ''
  sent.value = ''
  if (!login.value.trim()) {
    problem.value = say('parts.enter-your-login-first')
    return
  }
  busy.value = true
  try {
    await api.forgotten(login.value)
    sent.value = say('parts.if-is-the-login-of', { login: login.value.trim() })
  } catch (error) {
    problem.value = error instanceof Error ? error.message : say('parts.the-link-could-not-be')
  }
  busy.value = false
}
</script>

<template>
  <form class="space-y-3" @submit.prevent="enter">
    <div>
      <label for="login" class="heading">{{ say('common.login') }}</label>
      <input id="login" v-model="login" class="field" autocomplete="username" required maxlength="120" />
    </div>
    <div>
      <label for="password" class="heading">{{ say('common.password') }}</label>
      <input
        id="password"
        v-model="password"
        class="field"
        type="password"
        autocomplete="current-password"
        required
        maxlength="200"
      />
    </div>
    <div v-if="needsCode">
      <label for="code" class="heading">{{ say('parts.code-of-your-authenticator-app') }}</label>
      <input id="code" v-model="code" class="field" autocomplete="one-time-code" required maxlength="20" />
    </div>
    <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
    <p v-if="sent" role="status" class="font-bold">{{ sent }}</p>
    <button type="submit" class="button button-main w-full" :disabled="busy">{{ label }}</button>
    <p v-if="sendsLinks">
      <button type="button" class="min-h-11 underline" :disabled="busy" @click="sendLink">
        {{ say('parts.i-have-forgotten-my-password') }}
      </button>
    </p>
  </form>
</template>
