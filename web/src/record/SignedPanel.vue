<script setup lang="ts">
/** What was signed, by whom and until when it is valid; a mistake is corrected by another entry. */
import { say } from '@/said'
import { useQuery } from '@tanstack/vue-query'
import { signOffsQuery } from '@/api/queries'
import { day, today } from '@/words'

const props = defineProps<{ studentId: number; mayCoach: boolean }>()
defineEmits<{ correct: [entry: { id: string; name: string }] }>()
const signOffs = useQuery(signOffsQuery(props.studentId))
</script>

<template>
  <section class="panel space-y-2" aria-labelledby="signed">
    <div class="flex items-center gap-2">
      <h2 id="signed" class="flex-1 text-lg font-bold">{{ say('record.signed') }}</h2>
      <a class="underline" :href="`/api/students/${studentId}/signoffs.pdf`">{{ say('common.pdf') }}</a>
    </div>
    <p v-if="!signOffs.data.value?.signed.length" class="text-soft">{{ say('record.nothing-signed-yet') }}</p>
    <ul class="divide-y divide-line">
      <li v-for="row in signOffs.data.value?.signed" :key="row.id" class="py-1">
        <b :class="row.is_corrected ? 'line-through' : ''">{{ row.name ?? row.kind.replace('_', ' ') }}</b>
        {{ row.words === row.name ? '' : row.words }}
        <span class="block text-sm text-soft">
          {{ row.signed_by_name }}, {{ day(row.signed_at.slice(0, 10)) }}; {{ row.standard }}
          {{ row.edition }}
          <template v-if="row.valid_until">
            ;
            <span :class="row.valid_until < today() ? 'font-bold text-fail-ink' : ''">
              {{ say('record.valid-until', { valid_until: day(row.valid_until) }) }}
            </span>
          </template>
        </span>
        <button
          v-if="mayCoach && !row.is_corrected && row.kind !== 'correction'"
          type="button"
          class="min-h-11 underline"
          @click="$emit('correct', { id: row.id, name: row.name ?? row.kind.replace('_', ' ') })"
        >
          {{ say('record.correct-it') }}
        </button>
        <span v-if="row.warnings.length" class="block text-sm">
          {{ say('record.signed-though', { warnings: row.warnings.join(' ') }) }}
        </span>
      </li>
    </ul>
  </section>
</template>
