<script setup lang="ts">
/** The score, line by line: value, tolerance, verdict and points, so that the total can be read off. */
import { say } from '@/said'
import type { Lap } from '@/api/types'
import { fixed, round, signed } from '@/words'

defineProps<{ score: Lap['score'] }>()
type Criterion = Lap['score']['criteria'][number]
const SIGN: Record<Criterion['verdict'], string> = {
  pass: say('parts.pass'),
  near: say('parts.near'),
  fail: say('parts.fail'),
  unknown: say('parts.unknown'),
}
const TONE: Record<Criterion['verdict'], string> = {
  pass: 'text-pass-ink',
  near: 'text-ink',
  fail: 'text-fail-ink',
  unknown: 'text-soft',
}
const SIGNED = new Set(['accuracy', 'speed', 'centreline'])
function shown(one: Criterion) {
  if (one.value === null) return '–'
  if (typeof one.value === 'string') return one.value
  return `${SIGNED.has(one.name) ? signed(one.value) : fixed(one.value, 1)} ${one.unit}`
}
</script>

<template>
  <table v-if="score.criteria.length" class="w-full text-left text-sm">
    <thead>
      <tr class="border-b border-line text-soft">
        <th class="py-0.5 font-bold">{{ say('parts.judged-on') }}</th>
        <th class="text-right font-bold">{{ say('parts.value') }}</th>
        <th class="hidden pl-3 font-bold sm:table-cell">{{ say('parts.tolerance') }}</th>
        <th class="pl-3 font-bold">{{ say('parts.verdict') }}</th>
        <th class="text-right font-bold">{{ say('parts.points') }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="one in score.criteria" :key="one.name" class="border-b border-line">
        <td class="py-1">{{ one.label }}</td>
        <td class="figure whitespace-nowrap text-right">{{ shown(one) }}</td>
        <td class="hidden pl-3 sm:table-cell">{{ one.tolerance }} {{ one.unit }}</td>
        <td class="whitespace-nowrap pl-3 font-bold" :class="TONE[one.verdict]">{{ SIGN[one.verdict] }}</td>
        <td class="figure whitespace-nowrap text-right">
          {{ one.points === null ? '–' : round(one.points) }}/{{ one.weight }}
        </td>
      </tr>
    </tbody>
    <tfoot>
      <tr class="font-bold">
        <td class="py-1" colspan="2">{{ say('parts.together-of-what-was-seen') }}</td>
        <td class="hidden sm:table-cell" />
        <td />
        <td class="figure whitespace-nowrap text-right">{{ round(score.points) }}/{{ score.out_of }}</td>
      </tr>
    </tfoot>
  </table>
</template>
