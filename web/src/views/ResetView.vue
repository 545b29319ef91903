<script setup lang="ts">
/** Setting a password anew by a link; its secret stands behind # and so never reaches a log. */
import { say } from '@/said'
import { useQuery } from '@tanstack/vue-query'
import { reactive } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '@/api/calls'
import { useEntering } from '@/composables/useEntering'

const token = useRoute().hash.slice(1)
const welcome = useQuery({ queryKey: ['reset'], queryFn: () => api.lookAtReset(token), retry: false })
const form = reactive({ login: '', password: '' })
const { fields, problem, busy, enter } = useEntering()
</script>

<template>
  <div class="panel mx-auto mt-6 max-w-xl">
    <template v-if="welcome.error.value">
      <h1 class="text-2xl font-bold">{{ say('common.this-link-does-not-work') }}</h1>
      <p>{{ say('reset.it-works-once-and-for') }}</p>
    </template>
    <form
      v-else-if="welcome.data.value"
      class="space-y-3"
      @submit.prevent="
        enter(() => api.setPassword(token, form.password, welcome.data.value!.needs_login ? form.login : null))
      "
    >
      <h1 class="text-2xl font-bold">{{ say('reset.a-new-password-for', { name: welcome.data.value.name }) }}</h1>
      <p>{{ say('reset.every-device-that-you-were', { school: welcome.data.value.school }) }}</p>
      <div v-if="welcome.data.value.needs_login">
        <label for="login" class="heading">{{ say('common.login') }}</label>
        <input id="login" v-model="form.login" class="field" autocomplete="username" required maxlength="120" />
        <p v-if="fields.login" class="font-bold text-fail-ink">{{ fields.login }}</p>
      </div>
      <div>
        <label for="password" class="heading">{{ say('reset.password-10-characters-or-more') }}</label>
        <input
          id="password"
          v-model="form.password"
          type="password"
          class="field"
          autocomplete="new-password"
          required
        />
        <p v-if="fields.password" class="font-bold text-fail-ink">{{ fields.password }}</p>
      </div>
      <p v-if="problem && !Object.keys(fields).length" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
      <button type="submit" class="button button-main w-full" :disabled="busy">
        {{ say('reset.set-it-and-sign-in') }}
      </button>
    </form>
    <p v-else class="text-soft">{{ say('common.loading') }}</p>
  </div>
</template>
