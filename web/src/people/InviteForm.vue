<script setup lang="ts">
/** Somebody is invited by a link that works once. */
import { say } from '@/said'
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { ApiError } from '@/api/client'
import { api } from '@/api/calls'
import type { Role } from '@/api/types'

defineProps<{ roles: Role[] }>()
const client = useQueryClient()
const name = ref('')
const role = ref<Role>('student')
const made = ref<{ name: string; link: string; days: number } | null>(null)
const problem = ref('')
const copied = ref(false)

async function invite() {
  problem.value = ''
  copied.value = false
  try {
    made.value = await api.invite(name.value, role.value)
    void client.invalidateQueries({ queryKey: ['invitations'] })
    name.value = ''
  } catch (error) {
    made.value = null
    problem.value =
      error instanceof ApiError ? (error.fields.name ?? error.message) : say('people.the-invitation-was-not-made')
  }
}
async function copy() {
  await navigator.clipboard.writeText(made.value?.link ?? '')
  copied.value = true
}
const canCopy = Boolean(globalThis.navigator?.clipboard)
</script>

<template>
  <section class="panel space-y-3" aria-labelledby="invite">
    <h2 id="invite" class="text-2xl font-bold">{{ say('people.invite') }}</h2>
    <form class="space-y-3" @submit.prevent="invite">
      <div>
        <label for="invite-name" class="heading">{{ say('common.name') }}</label>
        <input id="invite-name" v-model="name" class="field" required maxlength="80" />
      </div>
      <div>
        <label for="invite-role" class="heading">{{ say('people.role') }}</label>
        <select id="invite-role" v-model="role" class="field">
          <option v-for="one in roles" :key="one" :value="one">{{ one }}</option>
        </select>
      </div>
      <button type="submit" class="button button-main">{{ say('people.make-the-link') }}</button>
    </form>
    <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
    <div v-if="made" role="status">
      <p>{{ say('people.send-this-link-to-it', { name: made.name, days: made.days }) }}</p>
      <p class="figure mt-1 break-all rounded border border-line bg-paper p-2 text-sm">{{ made.link }}</p>
      <button v-if="canCopy" type="button" class="button mt-2" @click="copy">
        {{ copied ? say('people.copied') : say('common.copy') }}
      </button>
    </div>
  </section>
</template>
