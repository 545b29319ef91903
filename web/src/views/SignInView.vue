<script setup lang="ts">
/** Who is there: login and password, or one click in the demo school. */
import { say } from '@/said'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '@/api/calls'
import { sessionQuery } from '@/api/queries'
import type { Session } from '@/api/types'
import LanguageChoice from '@/components/LanguageChoice.vue'
import SignInForm from '@/components/SignInForm.vue'

const client = useQueryClient()
const router = useRouter()
const route = useRoute()
const session = useQuery(sessionQuery)
const people = computed(() => session.data.value?.demo_people ?? [])
const problem = ref('')
const busy = ref(false)

/** A student begins with their own record, a chief with the school, an instructor with today. */
function firstPage(): string {
  const person = client.getQueryData<Session>(sessionQuery.queryKey)?.person
  if (person?.role === 'student') return `/students/${person.id}`
  return person?.role === 'chief' ? '/students' : '/'
}
async function entered(found: Session) {
  // an answer that was on its way before would say that nobody is signed in
  await client.cancelQueries({ queryKey: sessionQuery.queryKey })
  client.setQueryData(sessionQuery.queryKey, found)
  const next = route.query.next
  // only an address of our own: never what a link from elsewhere may carry
  await router.replace(typeof next === 'string' && /^\/(?!\/)./.test(next) ? next : firstPage())
}
async function enterDemo(id: number) {
  busy.value = true
  problem.value = ''
  try {
    await entered(await api.signInDemo(id))
  } catch (error) {
    problem.value = error instanceof Error ? error.message : say('common.signing-in-failed')
  }
  busy.value = false
}
</script>

<template>
  <div class="mx-auto grid max-w-4xl gap-4 pt-4 md:grid-cols-2 md:pt-12">
    <div class="panel space-y-3">
      <h1 class="text-2xl font-bold">{{ say('signin.sign-in') }}</h1>
      <SignInForm :label="say('signin.sign-in')" :sends-links="session.data.value?.sends_links" @entered="entered" />
      <LanguageChoice />
    </div>
    <section v-if="people.length" class="panel" aria-labelledby="demo">
      <h2 id="demo" class="text-2xl font-bold">{{ say('signin.demo-school') }}</h2>
      <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
      <p class="text-soft">{{ say('signin.all-made-up-people-fields') }}</p>
      <ul class="mt-2 space-y-1.5">
        <li v-for="person in people" :key="person.id">
          <button type="button" class="button w-full !justify-between" :disabled="busy" @click="enterDemo(person.id)">
            <span>{{ person.name }}</span>
            <span class="font-normal text-soft">{{ person.role }}</span>
          </button>
        </li>
      </ul>
    </section>
    <p class="text-sm text-soft md:col-span-2">
      {{ say('signin.bullseye-is-a-training-aid') }}
      <template v-if="session.data.value?.version">
        {{
          say('signin.this-is-bullseye-touchdown-model', {
            software: session.data.value.version.software,
            model: session.data.value.version.model,
          })
        }}
      </template>
    </p>
  </div>
</template>
