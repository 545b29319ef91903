<script setup lang="ts">
/** The second factor of one's own sign-in: turned on by a first code, with codes to print for when it is lost. */
import { say } from '@/said'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api } from '@/api/calls'
import { sessionQuery } from '@/api/queries'
import Loading from '@/components/Loading.vue'
import { useWrite } from '@/composables/useWrite'

const client = useQueryClient()
const state = useQuery({ queryKey: ['second-factor'], queryFn: api.secondFactor })
const refresh = async () => {
  await client.invalidateQueries({ queryKey: ['second-factor'] })
  await client.invalidateQueries({ queryKey: sessionQuery.queryKey })
}
const { write, problem, isBusy } = useWrite({ refresh, otherwise: say('common.not-changed') })
const password = ref('')
const code = ref('')
const begun = ref<{ secret: string; picture: string } | null>(null)
const codes = ref<string[]>([])

async function begin() {
  const done = await write({ call: () => api.beginSecondFactor(password.value) })
  if (!done) return
  begun.value = done.answer
  password.value = ''
}
async function confirm() {
  const done = await write({ call: () => api.confirmSecondFactor(code.value) })
  if (!done) return
  codes.value = done.answer.codes
  begun.value = null
  code.value = ''
}
async function end() {
  if (await write({ call: () => api.endSecondFactor(password.value) })) password.value = ''
}
</script>

<template>
  <section class="panel space-y-3" aria-labelledby="second">
    <h2 id="second" class="text-lg font-bold">{{ say('parts.second-factor') }}</h2>
    <Loading v-if="!state.data.value" :error="state.error.value" :retry="state.refetch" />
    <template v-else>
      <p v-if="state.data.value.is_asked && !state.data.value.is_on" role="alert" class="font-bold text-fail-ink">
        {{ say('parts.the-school-asks-for-a') }}
      </p>
      <p v-if="state.data.value.is_on">
        {{ say('parts.you-sign-in-with-your', { codes_left: state.data.value.codes_left }) }}
      </p>
      <p v-else-if="!begun">
        {{ say('parts.with-an-authenticator-app-on') }}
      </p>
      <div v-if="codes.length" class="rounded border-2 border-line p-3" role="status">
        <p class="font-bold">
          {{ say('parts.it-is-on-print-these') }}
        </p>
        <ul class="figure mt-2 grid grid-cols-2 gap-1 text-lg">
          <li v-for="one in codes" :key="one">{{ one }}</li>
        </ul>
      </div>
      <form v-if="begun" class="space-y-3" @submit.prevent="confirm">
        <p>{{ say('parts.let-the-app-read-this') }}</p>
        <img :src="begun.picture" :alt="say('parts.square-for-the-authenticator-app')" class="bg-white" />
        <p class="text-sm text-soft">
          {{ say('parts.without-a-camera-type-this') }} <span class="figure break-all">{{ begun.secret }}</span>
        </p>
        <div>
          <label for="factor-code" class="heading">{{ say('parts.six-figures') }}</label>
          <input
            id="factor-code"
            v-model="code"
            class="field"
            inputmode="numeric"
            autocomplete="one-time-code"
            required
            maxlength="10"
          />
        </div>
        <button type="submit" class="button button-main" :disabled="isBusy">{{ say('parts.turn-it-on') }}</button>
      </form>
      <form v-else class="space-y-3" @submit.prevent="state.data.value.is_on ? end() : begin()">
        <div>
          <label for="factor-password" class="heading">{{ say('common.your-password') }}</label>
          <input
            id="factor-password"
            v-model="password"
            type="password"
            class="field"
            autocomplete="current-password"
            required
          />
        </div>
        <button type="submit" class="button" :disabled="isBusy">
          {{ state.data.value.is_on ? say('parts.turn-it-off') : say('parts.set-it-up') }}
        </button>
      </form>
      <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
    </template>
  </section>
</template>
