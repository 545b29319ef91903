<script setup lang="ts">
/** The rest of the lap, line by line: value and how well it is known, limit, verdict and points. */
import { say } from '@/said'
import { computed } from 'vue'
import type { Lap } from '@/api/types'
import { fixed, round } from '@/words'
import { pointValue, TASK_LABEL, VERDICT_SIGN, VERDICT_TONE } from './around'

const props = defineProps<{ around: Lap['around'] }>()
const tasks = computed(() =>
  (Object.keys(TASK_LABEL) as (keyof typeof TASK_LABEL)[])
    .map((task) => ({ task, rows: props.around.judged.filter((one) => one.task === task) }))
    .filter((one) => one.rows.length),
)
</script>

<template>
  <div v-if="tasks.length" class="overflow-x-auto" tabindex="0">
    <table class="w-full text-left text-sm">
      <thead>
        <tr class="border-b border-line text-soft">
          <th class="py-0.5 font-bold">{{ say('common.the-rest-of-the-lap') }}</th>
          <th class="text-right font-bold">{{ say('parts.value') }}</th>
          <th class="hidden pl-3 font-bold sm:table-cell">{{ say('parts.limit') }}</th>
          <th class="pl-3 font-bold">{{ say('parts.verdict') }}</th>
          <th class="text-right font-bold">{{ say('parts.points') }}</th>
        </tr>
      </thead>
      <tbody v-for="{ task, rows } in tasks" :key="task">
        <tr>
          <th colspan="5" class="heading pt-1">{{ TASK_LABEL[task] }}</th>
        </tr>
        <tr v-for="one in rows" :key="one.name" class="border-b border-line">
          <td class="py-1">
            {{ one.label
            }}<span v-if="one.is_marked" class="text-soft"> {{ ' ' + say('parts.marked-by-the-instructor') }}</span>
          </td>
          <td class="figure whitespace-nowrap text-right">{{ pointValue(one) }}</td>
          <td class="hidden pl-3 sm:table-cell">
            {{ one.limit ?? say('common.not-known')
            }}<span v-if="one.limit && one.is_own" class="text-soft"> {{ ' ' + say('parts.ours') }}</span>
          </td>
          <td class="whitespace-nowrap pl-3 font-bold" :class="VERDICT_TONE[one.verdict]">
            {{ VERDICT_SIGN[one.verdict] }}
          </td>
          <td class="figure whitespace-nowrap text-right">
            {{ one.points === null ? '–' : fixed(one.points, 1) }}/{{ fixed(one.weight, 1) }}
          </td>
        </tr>
      </tbody>
      <tfoot v-if="around.points !== null">
        <tr class="font-bold">
          <td class="py-1" colspan="2">{{ say('parts.together-of-what-was-measured') }}</td>
          <td class="hidden sm:table-cell" />
          <td />
          <td class="figure whitespace-nowrap text-right">{{ round(around.points) }}/{{ round(around.out_of) }}</td>
        </tr>
      </tfoot>
    </table>
    <p v-if="around.decision_words" class="mt-1">{{ around.decision_words }}</p>
    <p class="mt-1 text-sm text-soft">
      {{ say('parts.limits-marked-ours-are-of') }}
    </p>
  </div>
</template>
