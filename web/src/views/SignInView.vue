<script setup lang="ts">
/** Who is there: login and password, or one click in the demo school. */
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { ApiError } from '@/api/client'
import { api, sessionQuery } from '@/api/queries'
import type { Session } from '@/api/types'

const client = useQueryClient()
const router = useRouter()
const route = useRoute()
const session = useQuery(sessionQuery)
const people = computed(() => session.data.value?.demo_people ?? [])
const login = ref('')
const password = ref('')
/** Of the authenticator app; asked for once the password is right. */
const code = ref('')
const needsCode = ref(false)
const problem = ref('')
const busy = ref(false)

/** A student begins with their own record, a chief with the school, an instructor with today. */
function firstPage(): string {
  const person = client.getQueryData<Session>(sessionQuery.queryKey)?.person
  if (person?.role === 'student') return `/students/${person.id}`
  return person?.role === 'chief' ? '/students' : '/'
}
async function enter(call: () => Promise<Session>) {
  busy.value = true
  problem.value = ''
  try {
    client.setQueryData(sessionQuery.queryKey, await call())
    const next = route.query.next
    // only an address of our own: never what a link from elsewhere may carry
    await router.replace(typeof next === 'string' && /^\/(?!\/)./.test(next) ? next : firstPage())
  } catch (error) {
    if (error instanceof ApiError && error.code === 'second_factor') needsCode.value = true
    problem.value = error instanceof Error ? error.message : 'Signing in failed.'
  }
  busy.value = false
}
</script>

<template>
  <div class="mx-auto grid max-w-4xl gap-4 pt-4 md:grid-cols-2 md:pt-12">
    <form class="panel space-y-3" @submit.prevent="enter(() => api.signIn(login, password, code))">
      <h1 class="text-2xl font-bold">Sign in</h1>
      <div>
        <label for="login" class="heading">Login</label>
        <input id="login" v-model="login" class="field" autocomplete="username" required maxlength="120" />
      </div>
      <div>
        <label for="password" class="heading">Password</label>
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
        <label for="code" class="heading">Code of your authenticator app, or one from your paper</label>
        <input
          id="code"
          v-model="code"
          class="field"
          autocomplete="one-time-code"
          inputmode="text"
          required
          maxlength="20"
        />
      </div>
      <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
      <button type="submit" class="button button-main w-full" :disabled="busy">Sign in</button>
    </form>
    <section v-if="people.length" class="panel" aria-labelledby="demo">
      <h2 id="demo" class="text-2xl font-bold">Demo school</h2>
      <p class="text-soft">All made up: people, fields and aircraft. Choose who you are.</p>
      <ul class="mt-2 space-y-1.5">
        <li v-for="person in people" :key="person.id">
          <button
            type="button"
            class="button w-full !justify-between"
            :disabled="busy"
            @click="enter(() => api.signInDemo(person.id))"
          >
            <span>{{ person.name }}</span>
            <span class="font-normal text-soft">{{ person.role }}</span>
          </button>
        </li>
      </ul>
    </section>
    <p class="text-sm text-soft md:col-span-2">
      Bullseye is a training aid. The aircraft handbook, local rules and the instructor decide.
      <template v-if="session.data.value?.version">
        This is Bullseye {{ session.data.value.version.software }}, touchdown model
        {{ session.data.value.version.model }}.
      </template>
    </p>
  </div>
</template>
