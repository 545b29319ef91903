<script setup lang="ts">
/** Using an invitation link; its secret stands behind # and so never reaches a log. */
import { say } from '@/said'
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
      <h1 class="text-2xl font-bold">{{ say('common.this-link-does-not-work') }}</h1>
      <p>{{ say('join.invitations-work-once-and-for') }}</p>
    </template>
    <form
      v-else-if="welcome.data.value"
      class="space-y-3"
      @submit.prevent="enter(() => api.join(token, form.login, form.password))"
    >
      <h1 class="text-2xl font-bold">{{ say('join.welcome', { name: welcome.data.value.name }) }}</h1>
      <p>
        {{ say('join.you-join-as-choose-how', { school: welcome.data.value.school, role: welcome.data.value.role }) }}
      </p>
      <AccountFields v-model:login="form.login" v-model:password="form.password" :fields="fields" />
      <p v-if="problem && !Object.keys(fields).length" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
      <button type="submit" class="button button-main w-full" :disabled="busy">{{ say('join.join') }}</button>
    </form>
    <p v-else class="text-soft">{{ say('common.loading') }}</p>
  </div>
</template>
