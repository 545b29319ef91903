<script setup lang="ts">
/** Each lap against the standard; of a long day the latest stand open, the others unfold. */
import { say } from '@/said'
import { RouterLink } from 'vue-router'
import type { Lap } from '@/api/types'
import { fromSpotFt } from '@/debrief/lap'
import { fixed, OUTCOME_LABEL, round, signed } from '@/words'

const showsAll = defineModel<boolean>({ required: true })
defineProps<{
  shown: readonly Lap[]
  all: number
  open: number
  sortieId: number
  standard: string
  mayChange: boolean
}>()
const criterion = (lap: Lap, name: string) => lap.score.criteria.find((one) => one.name === name)
/** How well a measured touchdown is known; taps say it nowhere else either. */
const halfWidth = (lap: Lap) =>
  lap.known_by.along_ft === 'tracked'
    ? (lap.readings.along_ft as Record<string, { half_width: number | null }>).tracked?.half_width
    : null
const verdict = (lap: Lap) =>
  lap.score.meets_standard === null
    ? say('debrief.not-all-seen')
    : lap.score.meets_standard
      ? say('debrief.meets')
      : say('debrief.not-met')
</script>

<template>
  <section class="panel overflow-x-auto" :aria-label="say('debrief.laps-against-the-standard')" tabindex="0">
    <table class="w-full min-w-[44rem] text-left">
      <thead>
        <tr class="border-b border-line text-sm text-soft">
          <th class="py-1">{{ say('common.lap') }}</th>
          <th>{{ say('common.ended') }}</th>
          <th class="text-right">{{ say('debrief.from-spot') }}</th>
          <th class="text-right">{{ say('debrief.speed-off') }}</th>
          <th class="text-right">{{ say('common.float') }}</th>
          <th class="pl-3">{{ say('common.drift') }}</th>
          <th class="text-right">{{ say('common.score') }}</th>
          <th class="pl-3">{{ standard }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="lap in shown" :key="lap.id" class="border-b border-line">
          <td class="py-0.5">
            <RouterLink
              :to="{ name: 'laps', params: { id: sortieId }, query: { lap: lap.id } }"
              class="figure flex min-h-11 min-w-11 items-center underline"
              :aria-label="
                mayChange
                  ? say('debrief.correct-lap', { number: lap.number })
                  : say('common.lap-number', { number: lap.number })
              "
            >
              {{ lap.number }}
            </RouterLink>
          </td>
          <td>{{ OUTCOME_LABEL[lap.outcome] }}</td>
          <td class="figure whitespace-nowrap text-right">
            {{ fromSpotFt(lap) === null ? '–' : `${signed(fromSpotFt(lap))} ft`
            }}<span v-if="halfWidth(lap)" class="text-soft"> ±{{ round(halfWidth(lap)) }}</span>
          </td>
          <td class="figure whitespace-nowrap text-right">
            {{
              typeof criterion(lap, 'speed')?.value === 'number'
                ? `${signed(criterion(lap, 'speed')!.value as number)} kt`
                : '–'
            }}
          </td>
          <td class="figure whitespace-nowrap text-right">
            {{ lap.float_s === null ? '–' : `${fixed(lap.float_s, 1)} s` }}
          </td>
          <td class="pl-3">{{ lap.drift ?? '–' }}</td>
          <td class="figure whitespace-nowrap text-right">
            {{ lap.score.points === null ? '–' : `${round(lap.score.points)}/${lap.score.out_of}` }}
          </td>
          <td
            class="whitespace-nowrap pl-3 font-bold"
            :class="
              lap.score.meets_standard === null
                ? 'text-soft'
                : lap.score.meets_standard
                  ? 'text-pass-ink'
                  : 'text-fail-ink'
            "
          >
            {{ lap.outcome === 'go_around' ? say('debrief.not-judged') : verdict(lap) }}
          </td>
        </tr>
      </tbody>
    </table>
    <button v-if="all > open" type="button" class="button mt-2" @click="showsAll = !showsAll">
      {{ showsAll ? say('debrief.only-the-last-laps', { open }) : say('debrief.all-laps', { all }) }}
    </button>
    <p class="mt-1 text-sm text-soft">
      {{ say('debrief.tolerances-quoted-from-memory-the') }}
    </p>
  </section>
</template>
