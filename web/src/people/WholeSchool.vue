<script setup lang="ts">
/** The school out as one file, or in from one. */
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api } from '@/api/calls'
import { useWrite } from '@/composables/useWrite'

const client = useQueryClient()
const { write, problem: refusal } = useWrite({ refresh: () => client.invalidateQueries() })
const taken = ref('')
async function takeIn(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  taken.value = ''
  const written = await write({ call: () => api.takeInSchool(file), refresh: () => client.invalidateQueries() })
  if (written)
    taken.value = `${written.answer.rows.lap ?? 0} laps of ${written.answer.rows.sortie ?? 0} sorties taken in.`
}
</script>

<template>
  <section class="panel space-y-2" aria-labelledby="archive">
    <h2 id="archive" class="text-2xl font-bold">Everything, as one file</h2>
    <p>
      People, aircraft, fields, sorties, laps, recorded flights, logbooks and sign-offs, in open formats. Passwords are
      not in it.
    </p>
    <div class="flex flex-wrap gap-2">
      <a class="button" href="/api/archive/school.zip">Take the school out (ZIP)</a>
      <label class="button cursor-pointer">
        Take a school in<input type="file" accept=".zip,application/zip" class="sr-only" @change="takeIn" />
      </label>
    </div>
    <p class="text-sm text-soft">
      Only into an empty school, all of it or nothing. Its people are there by name, with their laps; give each a link
      for a password.
    </p>
    <p v-if="refusal" role="alert" class="font-bold text-fail-ink">{{ refusal }}</p>
    <p v-if="taken" role="status">{{ taken }}</p>
  </section>
</template>
