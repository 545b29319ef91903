<script setup lang="ts">
/** Between laps: what it scored, the largest part, what to do next; a tap unfolds the reasoning. */
import { say } from '@/said'
import { computed } from 'vue'
import type { Lap } from '@/api/types'
import AroundTable from '@/components/AroundTable.vue'
import FeetBar from '@/components/FeetBar.vue'
import ScoreTable from '@/components/ScoreTable.vue'
import type { DeviceResult } from '@/offline/answers'
import { EXCLUDED_LABEL } from '@/marks'
import { OUTCOME_LABEL, round, signed, stripesWords } from '@/words'

const props = defineProps<{
  lap: Lap | null
  here: DeviceResult | null
  aimFt: number | null
  spotFt: number
  /** null: nothing is known here of the next lap */
  next: {
    spot_ft: number
    aim_point_ft: number
    aim_is_good: boolean
    speed_kias: number
    go_around_point_ft: number | null
  } | null
  excluded: Lap['excluded']
}>()
const unfolded = defineModel<boolean>('unfolded', { required: true })

const hit = computed(() => (props.lap ? props.lap.score.hit : (props.here?.hit ?? null)))
const words = computed(() => props.lap?.score.words ?? props.here?.words ?? '')
const parts = computed(() => props.lap?.diagnosis.parts ?? props.here?.parts ?? [])
/** The part that the sentence is about, where one was told apart. */
const largest = computed(() => parts.value.find((part) => part.cause === props.lap?.diagnosis.largest) ?? null)
/** Both readings of the touchdown, where a recorded flight has measured it too. */
const measured = computed(() => {
  const of = props.lap?.readings.along_ft as
    Partial<Record<'tapped' | 'tracked', { value: number; half_width: number | null }>> | undefined
  return of?.tracked && of.tapped ? of : null
})
const cue = computed(() => props.lap?.diagnosis.one_change ?? props.here?.cue ?? '')
/** Why a go-around was right, where somebody said why it was flown. */
const wentAround = computed(() => (props.lap?.noted?.went_around?.why ? props.lap.around.decision_words : ''))
const moved = computed(() => {
  if (props.aimFt === null || !props.next) return ''
  if (props.next.spot_ft !== props.spotFt)
    return say('parts.before-the-spot', { aim_point_ft: stripesWords(props.next.spot_ft - props.next.aim_point_ft) })
  const by = props.next.aim_point_ft - props.aimFt
  return Math.abs(by) < 15
    ? say('parts.as-on-this-lap')
    : `${stripesWords(by)} ${by < 0 ? say('common.shorter') : say('parts.farther-in')}`
})
</script>

<template>
  <section class="panel space-y-3" :aria-label="say('parts.result')" aria-live="polite">
    <div class="flex flex-wrap items-baseline gap-x-5 gap-y-1">
      <p v-if="lap && lap.score.points !== null" class="figure text-4xl leading-none">
        {{ round(lap.score.points)
        }}<span class="unit">{{ say('parts.of-judged', { out_of: lap.score.out_of }) }}</span>
      </p>
      <p class="text-2xl font-bold" :class="hit === null ? '' : hit ? 'text-pass-ink' : 'text-fail-ink'">
        {{ hit === null ? '' : hit ? '✓ ' : '✕ ' }}{{ words }}
      </p>
      <p v-if="largest" class="text-lg">
        {{ say('parts.most-of-it') }} <b>{{ largest.label }}</b>
        <span class="figure">{{ signed(largest.feet, 5) }} ft</span>
      </p>
    </div>
    <p v-if="wentAround" class="text-xl font-bold leading-snug">{{ wentAround }}</p>
    <p class="border-l-4 border-aim pl-3 text-xl font-bold leading-snug">{{ cue }}</p>
    <ul v-if="lap?.around.faults.length" class="space-y-0.5" :aria-label="say('parts.what-else-was-not-within')">
      <li v-for="fault in lap.around.faults.slice(0, 4)" :key="fault.name">
        <b class="text-fail-ink">✕</b> {{ fault.words }}
      </li>
    </ul>
    <p v-if="next" class="text-lg">
      {{
        say('parts.next', {
          spot_ft: next.spot_ft === spotFt ? '' : say('parts.spot', { spot_ft: round(next.spot_ft) }),
        })
      }}
      <b v-if="!next.aim_is_good" class="text-fail-ink">{{ say('parts.no-aim-point-is-good') }}</b><template v-else
        >{{ say('parts.aim') }} <b class="figure text-aim-ink">{{ round(next.aim_point_ft, 10) }} ft</b></template
      ><template v-if="moved && next.aim_is_good">, {{ moved }}</template
      >{{ say('parts.fly') }} <b class="figure">{{ round(next.speed_kias) }}</b> KIAS;
      <b class="text-fail-ink">{{
        next.go_around_point_ft === null
          ? 'go-around point unknown: see the cautions'
          : next.go_around_point_ft < 0
            ? say('parts.no-place-leaves-room-to')
            : say('parts.go-around-if-not-down', { go_around_point_ft: round(next.go_around_point_ft, 10) })
      }}</b>
    </p>
    <p v-if="measured" class="text-sm">
      {{
        say('parts.touched-tapped-ft-measured-from', {
          tapped: round(measured.tapped?.value),
          half_width: round(measured.tapped?.half_width),
          tracked: round(measured.tracked!.value),
          half_width_2: round(measured.tracked!.half_width),
        })
      }}
      <b>{{
        say('parts.scores', {
          along_ft:
            lap?.known_by.along_ft === 'tracked'
              ? say('parts.the-measured-one')
              : lap?.known_by.along_ft === 'corrected'
                ? say('parts.the-correction-by-hand')
                : say('parts.the-tap'),
        })
      }}</b>.
    </p>
    <p v-if="excluded" class="font-bold">
      {{ say('parts.left-out-of-learning', { reason: EXCLUDED_LABEL[excluded].toLowerCase() }) }}
    </p>
    <p v-if="!lap" class="text-sm text-soft">
      {{ here ? say('parts.calculated-on-this-device-from') : say('parts.the-score-comes-when-the') }}
    </p>
    <button type="button" class="button w-full !min-h-14" :aria-expanded="unfolded" @click="unfolded = !unfolded">
      {{ unfolded ? say('common.less') : say('parts.why') }}
    </button>
    <template v-if="unfolded">
      <template v-if="lap">
        <FeetBar :diagnosis="lap.diagnosis" />
        <ScoreTable :score="lap.score" />
        <AroundTable :around="lap.around" />
      </template>
      <ul v-else-if="here" class="space-y-0.5">
        <li v-for="part in here.parts" :key="part.cause" class="flex gap-3">
          <span class="w-48 font-bold">{{ part.label }}</span>
          <span class="figure">{{ part.feet === null ? say('common.unknown') : `${signed(part.feet, 5)} ft` }}</span>
        </li>
        <li class="flex gap-3 border-t border-line">
          <span class="w-48 font-bold">{{ say('parts.together') }}</span><span class="figure"
            >{{ signed(here.error_ft, 5) }} ft</span
          >
        </li>
      </ul>
    </template>
    <div v-if="lap?.other_versions.length" class="border-t border-line pt-2 text-sm">
      <p class="font-bold">{{ say('parts.another-device-wrote-this-lap') }}</p>
      <p v-for="one in lap.other_versions" :key="one.revision">
        {{
          say('parts.touched', {
            along_ft:
              one.along_ft === null
                ? say('parts.nowhere-marked')
                : say('parts.ft-in', { along_ft: round(one.along_ft) }),
            outcome: OUTCOME_LABEL[one.outcome].toLowerCase(),
          })
        }}
        <span v-if="one.note">“{{ one.note }}”</span>
      </p>
    </div>
  </section>
</template>
