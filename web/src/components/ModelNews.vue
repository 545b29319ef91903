<script setup lang="ts">
/** What a new version of the touchdown model changes: told to the chief instructor once, before anybody flies by it. */
import { say } from '@/said'
import type { Session } from '@/api/types'
import { signed } from '@/words'

defineProps<{ news: NonNullable<Session['news']> }>()
defineEmits<{ read: [] }>()
</script>

<template>
  <section class="border-b-4 border-warn bg-warn-wash px-4 py-3 print:hidden" aria-labelledby="news">
    <h2 id="news" class="text-lg font-bold">
      {{ say('parts.touchdown-model-the-aim-points', { version: news.version }) }}
    </h2>
    <p v-for="line in news.words" :key="line" class="max-w-4xl">{{ line }}</p>
    <div class="mt-2 overflow-x-auto" tabindex="0" :aria-label="say('parts.how-far-the-aim-points')">
      <table class="figure text-left text-sm">
        <thead>
          <tr>
            <th class="pr-4">{{ say('common.landing') }}</th>
            <th class="pr-4">{{ say('parts.still-air') }}</th>
            <th class="pr-4">{{ say('parts.n-12-kt-ahead') }}</th>
            <th class="pr-4">{{ say('parts.n-12-kt-gusts-20') }}</th>
            <th class="pr-4">{{ say('parts.n-1-5-uphill') }}</th>
            <th>{{ say('parts.n-1-5-downhill') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="move in news.moves" :key="move.landing">
            <td class="pr-4 font-bold">{{ move.landing }}</td>
            <td class="pr-4">{{ signed(move.still_air_ft, 10) }} ft</td>
            <td class="pr-4">{{ signed(move.headwind_12_kt_ft, 10) }} ft</td>
            <td class="pr-4">{{ signed(move.gusts_20_kt_ft, 10) }} ft</td>
            <td class="pr-4">{{ signed(move.uphill_ft, 10) }} ft</td>
            <td>{{ signed(move.downhill_ft, 10) }} ft</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="text-sm">{{ say('parts.positive-is-farther-in', { conditions: news.conditions }) }}</p>
    <button type="button" class="button button-main mt-2" @click="$emit('read')">
      {{ say('parts.i-have-read-it') }}
    </button>
  </section>
</template>
