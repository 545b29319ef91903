<script setup lang="ts">
/** What was measured of one lap, each figure with how well it is known where that is told. */
import { say } from '@/said'
import { computed } from 'vue'
import type { TrackEvent, TrackLap } from '@/api/types'
import { fixed, round, signed } from '@/words'

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
const withUnit = (value: Value, unit: string, digits = 1) =>
  value === null || value === undefined ? null : `${fixed(value, digits)} ${unit}`
const side = (value: Value, unit: string, half?: Value) =>
  value === null || value === undefined
    ? null
    : `${round(Math.abs(value))} ${unit}${round(Math.abs(value)) === '0' ? '' : value < 0 ? ' ' + say('common.left') : ' ' + say('common.right')}${half == null ? '' : ` ± ${round(half)}`}`
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
      name: say('common.takeoff'),
      rows: rows([
        [say('replay.roll-to-lift-off'), ft(takeoff?.liftoff_roll_ft, takeoff?.uncertainty_ft)],
        [say('common.off-the-centreline'), side(takeoff?.lateral_ft, 'ft')],
        [say('common.climb'), withUnit(lap.climb_groundspeed_kt, 'kt', 0)],
        [say('replay.first-turn-at'), ft(lap.first_turn_height_ft)],
      ]),
    },
    {
      name: say('common.pattern'),
      rows: rows([
        [say('replay.altitude-against-pattern'), off(lap.pattern_height_error_ft, 'ft')],
        [
          say('replay.downwind-from-the-runway'),
          lap.spacing_ft === null ? null : `${fixed(lap.spacing_ft / 6076.115, 2)} nm`,
        ],
        [say('replay.steepest-bank-held'), steepest ? `${round(steepest)}°` : null],
        [
          say('replay.overshot-final-by'),
          lap.overshoot_ft === null ? null : lap.overshoot_ft < 30 ? say('common.nothing') : ft(lap.overshoot_ft),
        ],
      ]),
    },
    {
      name: say('common.final'),
      rows: rows([
        [say('replay.path'), withUnit(event.final.path_angle_deg, '°', 1)],
        [say('replay.path-pointed-at'), ft(event.final.aim_flown_ft)],
        [say('replay.furthest-off-that-path'), ft(lap.path_error_ft)],
        [
          say('replay.steady-from-300-ft-down'),
          lap.stabilised === null ? null : lap.stabilised ? say('replay.yes') : say('replay.no'),
        ],
        ...lap.gates
          .filter((gate) => gate.height_ft > 20)
          .map(
            (gate) =>
              [
                say('replay.at-ft', { height_ft: round(gate.height_ft) }),
                say('replay.kt', {
                  lateral_ft:
                    Math.abs(gate.lateral_ft) > STILL_TURNING_FT
                      ? say('replay.still-turning')
                      : side(gate.lateral_ft, 'ft'),
                  groundspeed_kt: round(gate.groundspeed_kt),
                }),
              ] as const,
          ),
        [
          say('replay.over-the-threshold'),
          event.final.threshold_height_ft === null
            ? null
            : say('replay.ft-high-kt', {
                threshold_height_ft: round(event.final.threshold_height_ft),
                threshold_groundspeed_kt: round(event.final.threshold_groundspeed_kt),
              }),
        ],
      ]),
    },
    {
      name: event.kind === 'touchdown' ? say('common.touchdown') : say('replay.lowest'),
      rows: rows([
        [say('replay.roundout-begins-at'), ft(event.hold_off.roundout_start_ft)],
        [
          say('common.float'),
          event.hold_off.float_ft === null
            ? null
            : `${ft(event.hold_off.float_ft, event.hold_off.float_uncertainty_ft)}, ${event.hold_off.float_s == null ? '–' : fixed(event.hold_off.float_s, 1)} s`,
        ],
        [
          event.kind === 'touchdown' ? say('common.touched') : say('replay.along-the-runway'),
          ft(event.along_ft, event.uncertainty_ft),
        ],
        [say('replay.height-over-the-runway'), ft(event.lowest_ft)],
        [say('common.off-the-centreline'), side(event.lateral_ft, 'ft', event.lateral_uncertainty_ft)],
        [say('common.speed'), withUnit(event.groundspeed_kt, 'kt', 0)],
        [say('replay.sinking'), withUnit(event.sink_fpm, 'ft/min', 0)],
        [say('replay.nose-off-the-runway'), side(event.crab_deg, '°')],
        [
          say('replay.drifting'),
          event.drift_kt === null
            ? null
            : Math.abs(event.drift_kt) < 1
              ? say('replay.no')
              : `${fixed(Math.abs(event.drift_kt), 1)} kt ${event.drift_kt < 0 ? say('common.left') : say('common.right')}`,
        ],
        [say('replay.bounces'), event.bounces === null ? null : String(event.bounces)],
        [say('common.rollout'), ft(event.rollout_ft)],
      ]),
    },
  ].filter((part) => part.rows.length)
})
</script>

<template>
  <section class="panel" :aria-label="say('replay.measured-on-lap', { number: lap.number })">
    <h2 class="text-lg font-bold">{{ say('replay.measured-on-lap', { number: lap.number }) }}</h2>
    <p v-if="event.in_gap" class="font-bold">
      {{ say('replay.the-recorder-was-silent-at') }}
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
      {{ say('replay.holds-95-of-100-on') }}
    </p>
  </section>
</template>
