<script setup lang="ts">
/** What was measured of one lap, each figure with how well it is known where that is told. */
import { computed } from 'vue'
import type { TrackEvent, TrackLap } from '@/api/types'
import { round, signed } from '@/words'

const props = defineProps<{ lap: TrackLap; event: TrackEvent; takeoff: TrackEvent | null }>()
const STILL_TURNING_FT = 700
interface Row {
  label: string
  value: string
}
type Value = number | null | undefined
const ft = (value: Value, half?: Value) =>
  value === null || value === undefined ? null : `${round(value)} ft${half == null ? '' : ` ± ${round(half)}`}`
const off = (value: Value, unit: string) => (value === null || value === undefined ? null : `${signed(value)} ${unit}`)
const fixed = (value: Value, unit: string, digits = 1) =>
  value === null || value === undefined ? null : `${value.toFixed(digits)} ${unit}`
const side = (value: Value, unit: string, half?: Value) =>
  value === null || value === undefined
    ? null
    : `${round(Math.abs(value))} ${unit}${round(Math.abs(value)) === '0' ? '' : value < 0 ? ' left' : ' right'}${half == null ? '' : ` ± ${round(half)}`}`
function rows(list: readonly (readonly [string, string | null])[]): Row[] {
  return list
    .filter((one): one is readonly [string, string] => one[1] !== null)
    .map(([label, value]) => ({ label, value }))
}
const parts = computed(() => {
  const { event, lap, takeoff } = props
  const steepest = lap.turns.reduce((most, turn) => Math.max(most, turn.most_bank_deg), 0)
  return [
    {
      name: 'Takeoff',
      rows: rows([
        ['Roll to lift-off', ft(takeoff?.liftoff_roll_ft, takeoff?.uncertainty_ft)],
        ['Off the centreline', side(takeoff?.lateral_ft, 'ft')],
        ['Climb', fixed(lap.climb_groundspeed_kt, 'kt', 0)],
        ['First turn at', ft(lap.first_turn_height_ft)],
      ]),
    },
    {
      name: 'Pattern',
      rows: rows([
        ['Altitude against pattern', off(lap.pattern_height_error_ft, 'ft')],
        ['Downwind from the runway', lap.spacing_ft === null ? null : `${(lap.spacing_ft / 6076.115).toFixed(2)} nm`],
        ['Steepest bank, held', steepest ? `${round(steepest)}°` : null],
        [
          'Overshot final by',
          lap.overshoot_ft === null ? null : lap.overshoot_ft < 30 ? 'nothing' : ft(lap.overshoot_ft),
        ],
      ]),
    },
    {
      name: 'Final',
      rows: rows([
        ['Path', fixed(event.final.path_angle_deg, '°', 1)],
        ['Path pointed at', ft(event.final.aim_flown_ft)],
        ['Furthest off that path', ft(lap.path_error_ft)],
        ['Steady from 300 ft down', lap.stabilised === null ? null : lap.stabilised ? 'yes' : 'no'],
        ...lap.gates
          .filter((gate) => gate.height_ft > 20)
          .map(
            (gate) =>
              [
                `At ${round(gate.height_ft)} ft`,
                `${Math.abs(gate.lateral_ft) > STILL_TURNING_FT ? 'still turning' : side(gate.lateral_ft, 'ft')}, ${round(gate.groundspeed_kt)} kt`,
              ] as const,
          ),
        [
          'Over the threshold',
          event.final.threshold_height_ft === null
            ? null
            : `${round(event.final.threshold_height_ft)} ft high, ${round(event.final.threshold_groundspeed_kt)} kt`,
        ],
      ]),
    },
    {
      name: event.kind === 'touchdown' ? 'Touchdown' : 'Lowest',
      rows: rows([
        ['Roundout begins at', ft(event.hold_off.roundout_start_ft)],
        [
          'Float',
          event.hold_off.float_ft === null
            ? null
            : `${ft(event.hold_off.float_ft, event.hold_off.float_uncertainty_ft)}, ${event.hold_off.float_s?.toFixed(1)} s`,
        ],
        [event.kind === 'touchdown' ? 'Touched' : 'Along the runway', ft(event.along_ft, event.uncertainty_ft)],
        ['Height over the runway', ft(event.lowest_ft)],
        ['Off the centreline', side(event.lateral_ft, 'ft', event.lateral_uncertainty_ft)],
        ['Speed', fixed(event.groundspeed_kt, 'kt', 0)],
        ['Sinking', fixed(event.sink_fpm, 'ft/min', 0)],
        ['Nose off the runway', side(event.crab_deg, '°')],
        [
          'Drifting',
          event.drift_kt === null
            ? null
            : Math.abs(event.drift_kt) < 1
              ? 'no'
              : `${Math.abs(event.drift_kt).toFixed(1)} kt ${event.drift_kt < 0 ? 'left' : 'right'}`,
        ],
        ['Bounces', event.bounces === null ? null : String(event.bounces)],
        ['Rollout', ft(event.rollout_ft)],
      ]),
    },
  ].filter((part) => part.rows.length)
})
</script>

<template>
  <section class="panel" :aria-label="`Measured on lap ${lap.number}`">
    <h2 class="text-lg font-bold">Measured on lap {{ lap.number }}</h2>
    <p v-if="event.in_gap" class="font-bold">
      ▲ The recorder was silent at the touchdown: it lies anywhere within the ±.
    </p>
    <div class="mt-1 grid gap-x-8 gap-y-3 lg:grid-cols-2">
      <div v-for="part in parts" :key="part.name">
        <h3 class="heading">{{ part.name }}</h3>
        <dl class="grid grid-cols-[1fr_auto] gap-x-3">
          <template v-for="row in part.rows" :key="row.label">
            <dt>{{ row.label }}</dt>
            <dd class="figure text-right">{{ row.value }}</dd>
          </template>
        </dl>
      </div>
    </div>
    <p class="mt-2 text-sm text-soft">
      ± holds 95 of 100 on simulated flights. Speeds are over the ground; banks are those of still air, unless recorded.
      Feet along the runway count from the threshold. Judge with what you saw.
    </p>
  </section>
</template>
