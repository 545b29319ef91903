<script setup lang="ts">
/** In which language this is read: each is called by its own name. Kept in the account of whoever is signed in. */
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api } from '@/api/calls'
import { sessionQuery } from '@/api/queries'
import { type Language, labels, language, say } from '@/said'
import { ALL, change } from '@/said/choice'
import Choice from './Choice.vue'

const NAMES = labels<Language>({ en: 'words.language-en', de: 'words.language-de' })
const client = useQueryClient()
const session = useQuery(sessionQuery)
const problem = ref('')
const chosen = computed({
  get: () => language(),
  set: (to) => void choose(to),
})
async function choose(to: Language | null) {
  if (to === null) return
  problem.value = ''
  try {
    await change(to)
    if (session.data.value?.person) client.setQueryData(sessionQuery.queryKey, await api.chooseLanguage(to))
    await client.invalidateQueries()
  } catch (error) {
    problem.value = error instanceof Error ? error.message : say('common.not-kept')
  }
}
</script>

<template>
  <div>
    <Choice
      v-model="chosen"
      :label="say('words.language')"
      :options="ALL.map((value) => ({ value, label: NAMES[value] }))"
    />
    <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
  </div>
</template>
