<script setup lang="ts">
/** The first run of a real school, guarded by the code that the terminal prints. */
import { say } from '@/said'
import { reactive } from 'vue'
import { api } from '@/api/calls'
import AccountFields from '@/components/AccountFields.vue'
import { useEntering } from '@/composables/useEntering'

const form = reactive({ code: '', school_name: '', name: '', login: '', password: '', with_examples: true })
const { fields, problem, busy, enter } = useEntering()
</script>

<template>
  <form class="panel mx-auto mt-6 max-w-xl space-y-3" @submit.prevent="enter(() => api.setUp({ ...form }))">
    <h1 class="text-2xl font-bold">{{ say('setup.set-up-your-school') }}</h1>
    <div>
      <label for="code" class="heading">{{ say('setup.one-time-code-printed-in') }}</label>
      <input id="code" v-model="form.code" class="field figure" autocomplete="off" required maxlength="40" />
      <p v-if="fields.code" role="alert" class="font-bold text-fail-ink">{{ fields.code }}</p>
    </div>
    <div>
      <label for="school" class="heading">{{ say('setup.name-of-the-school') }}</label>
      <input id="school" v-model="form.school_name" class="field" required maxlength="80" />
      <p v-if="fields.school_name" role="alert" class="font-bold text-fail-ink">{{ fields.school_name }}</p>
    </div>
    <div>
      <label for="name" class="heading">{{ say('setup.your-name-you-become-chief') }}</label>
      <input id="name" v-model="form.name" class="field" autocomplete="name" required maxlength="80" />
      <p v-if="fields.name" role="alert" class="font-bold text-fail-ink">{{ fields.name }}</p>
    </div>
    <AccountFields v-model:login="form.login" v-model:password="form.password" :fields="fields" />
    <label class="flex min-h-11 items-center gap-2">
      <input v-model="form.with_examples" type="checkbox" class="h-5 w-5" />
      {{ say('setup.add-the-made-up-example') }}
    </label>
    <p v-if="problem && !Object.keys(fields).length" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
    <button type="submit" class="button button-main w-full" :disabled="busy">{{ say('setup.make-the-school') }}</button>
  </form>
</template>
