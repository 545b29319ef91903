<script setup lang="ts">
/** The school out as one file, or in from one. */
import { say } from '@/said'
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
    taken.value = say('people.laps-of-sorties-taken-in', {
      lap: written.answer.rows.lap ?? 0,
      sortie: written.answer.rows.sortie ?? 0,
    })
}
</script>

<template>
  <section class="panel space-y-2" aria-labelledby="archive">
    <h2 id="archive" class="text-2xl font-bold">{{ say('people.everything-as-one-file') }}</h2>
    <p>
      {{ say('people.people-aircraft-fields-sorties-laps') }}
    </p>
    <div class="flex flex-wrap gap-2">
      <a class="button" href="/api/archive/school.zip">{{ say('people.take-the-school-out-zip') }}</a>
      <label class="button cursor-pointer">
        {{ say('people.take-a-school-in')
        }}<input type="file" accept=".zip,application/zip" class="sr-only" @change="takeIn" />
      </label>
    </div>
    <p class="text-sm text-soft">
      {{ say('people.only-into-an-empty-school') }}
    </p>
    <p v-if="refusal" role="alert" class="font-bold text-fail-ink">{{ refusal }}</p>
    <p v-if="taken" role="status">{{ taken }}</p>
  </section>
</template>
