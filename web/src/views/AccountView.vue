<script setup lang="ts">
/** One's own account: the password, and where one is signed in. */
import { say } from '@/said'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api } from '@/api/calls'
import { sessionQuery } from '@/api/queries'
import LanguageChoice from '@/components/LanguageChoice.vue'
import Loading from '@/components/Loading.vue'
import SecondFactor from '@/components/SecondFactor.vue'
import { useWrite } from '@/composables/useWrite'
import { clock, day } from '@/words'

const client = useQueryClient()
const session = useQuery(sessionQuery)
const mustSet = computed(() => session.data.value?.must_set_second_factor ?? false)
const signIns = useQuery({ queryKey: ['sign-ins'], queryFn: api.signIns, enabled: () => !mustSet.value })
const refresh = () => client.invalidateQueries({ queryKey: ['sign-ins'] })
const { write, problem, fields, isBusy } = useWrite({ refresh, otherwise: say('common.not-changed') })
const old = ref('')
const password = ref('')
const done = ref('')
async function change() {
  done.value = ''
  const written = await write({ call: () => api.changePassword(old.value, password.value) })
  if (!written) return
  old.value = password.value = ''
  done.value = say('account.changed-all-other-devices-are')
}
const when = (moment: string) => `${day(moment.slice(0, 10))}, ${clock(moment)}`
</script>

<template>
  <div class="mx-auto max-w-3xl space-y-4">
    <h1 class="text-2xl font-bold">{{ say('common.your-account') }}</h1>
    <form v-if="!mustSet" class="panel space-y-3" :aria-label="say('common.password')" @submit.prevent="change">
      <h2 class="text-lg font-bold">{{ say('common.password') }}</h2>
      <div>
        <label for="old" class="heading">{{ say('account.the-old-one') }}</label>
        <input id="old" v-model="old" type="password" class="field" autocomplete="current-password" required />
      </div>
      <div>
        <label for="new" class="heading">{{ say('account.the-new-one-10-characters') }}</label>
        <input id="new" v-model="password" type="password" class="field" autocomplete="new-password" required />
      </div>
      <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ Object.values(fields)[0] ?? problem }}</p>
      <p v-if="done" role="status">{{ done }}</p>
      <button type="submit" class="button button-main" :disabled="isBusy">{{ say('account.change-it') }}</button>
    </form>
    <section class="panel"><LanguageChoice /></section>
    <SecondFactor />
    <section v-if="!mustSet" class="panel" aria-labelledby="where">
      <div class="flex flex-wrap items-center gap-3">
        <h2 id="where" class="flex-1 text-lg font-bold">{{ say('account.where-you-are-signed-in') }}</h2>
        <button type="button" class="button" @click="write({ call: () => api.endOtherSignIns() })">
          {{ say('account.sign-out-everywhere-else') }}
        </button>
      </div>
      <Loading v-if="!signIns.data.value" :error="signIns.error.value" :retry="signIns.refetch" />
      <ul v-else class="divide-y divide-line">
        <li v-for="one in signIns.data.value.sign_ins" :key="one.id" class="flex flex-wrap items-center gap-3 py-2">
          <span class="min-w-0 flex-1">
            <b>{{ one.device }}</b><b v-if="one.is_this"> {{ ' ' + say('account.this-device') }}</b>
            <span class="block text-sm text-soft">
              {{ say('account.since-last-seen', { begun_at: when(one.begun_at), seen_at: when(one.seen_at) }) }}
            </span>
          </span>
          <button
            v-if="!one.is_this"
            type="button"
            class="button"
            :aria-label="say('account.sign-out', { device: one.device })"
            @click="write({ call: () => api.endSignIn(one.id) })"
          >
            {{ say('common.sign-out') }}
          </button>
        </li>
      </ul>
      <p class="text-sm text-soft">{{ say('account.a-device-that-is-not') }}</p>
    </section>
  </div>
</template>
