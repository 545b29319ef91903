<script setup lang="ts">
/** Using an invitation link; its secret stands behind # and so never reaches a log. */
import { useQuery } from '@tanstack/vue-query'
import { reactive } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '@/api/calls'
import AccountFields from '@/components/AccountFields.vue'
import { useEntering } from '@/composables/useEntering'

const token = useRoute().hash.slice(1)
const welcome = useQuery({ queryKey: ['invitation'], queryFn: () => api.lookAtInvitation(token), retry: false })
const form = reactive({ login: '', password: '' })
const { fields, problem, busy, enter } = useEntering()
</script>

<template>
  <div class="panel mx-auto mt-6 max-w-xl">
    <template v-if="welcome.error.value">
      <h1 class="text-2xl font-bold">This link does not work any more</h1>
      <p>Invitations work once and for a week. Ask your instructor for a new one.</p>
    </template>
    <form
      v-else-if="welcome.data.value"
      class="space-y-3"
      @submit.prevent="enter(() => api.join(token, form.login, form.password))"
    >
      <h1 class="text-2xl font-bold">Welcome, {{ welcome.data.value.name }}</h1>
      <p>You join {{ welcome.data.value.school }} as {{ welcome.data.value.role }}. Choose how you sign in.</p>
      <AccountFields v-model:login="form.login" v-model:password="form.password" :fields="fields" />
      <p v-if="problem && !Object.keys(fields).length" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
      <button type="submit" class="button button-main w-full" :disabled="busy">Join</button>
    </form>
    <p v-else class="text-soft">Loading…</p>
  </div>
</template>
