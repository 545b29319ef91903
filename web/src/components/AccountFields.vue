<script setup lang="ts">
/** Login and password of a new account, each with what was wrong with it. */
import { say } from '@/said'
defineProps<{ fields: Record<string, string> }>()
const login = defineModel<string>('login', { required: true })
const password = defineModel<string>('password', { required: true })
</script>

<template>
  <div>
    <label for="login" class="heading">{{ say('parts.login-an-e-mail-address') }}</label>
    <input id="login" v-model="login" class="field" autocomplete="username" required minlength="3" maxlength="120" />
    <p v-if="fields.login" role="alert" class="font-bold text-fail-ink">{{ fields.login }}</p>
  </div>
  <div>
    <label for="password" class="heading">{{ say('parts.password-at-least-10-characters') }}</label>
    <input
      id="password"
      v-model="password"
      class="field"
      type="password"
      autocomplete="new-password"
      required
      minlength="10"
      maxlength="200"
    />
    <p v-if="fields.password" role="alert" class="font-bold text-fail-ink">{{ fields.password }}</p>
  </div>
</template>
