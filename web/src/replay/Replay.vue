<script setup lang="ts">
/** A flight lap by lap: from above, the final from the side, speed and bank by time; one cursor through all. */
import { say } from '@/said'
import { useQueries } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { replayQuery } from '@/api/queries'
import type { Lap, Pattern, Replay, Track, TrackLap } from '@/api/types'
import Chip from '@/components/Chip.vue'
import Choice from '@/components/Choice.vue'
import { useKeys } from '@/composables/useKeys'
import { useWidth } from '@/composables/useWidth'
import { clock, round } from '@/words'
import { windowAround, type Marks } from '@/strip/places'
import Strip, { type Touch } from '@/strip/Strip.vue'
import ByTime from './ByTime.vue'
import CursorDots from './CursorDots.vue'
import FinalProfile, { type Planned, type TouchMark } from './FinalProfile.vue'
import FromAbove from './FromAbove.vue'
import { endedBy, line, momentsOf, MOST_LAPS, spanOf, valueAt } from './lap'
import Transport from './Transport.vue'
import { provideCursor } from './useCursor'

const props = defineProps<{
  fileId: string
  track: Track
  scored: readonly Lap[]
  pattern: Pattern | null
  pathAngle: number | null
  movable: boolean
}>()
const emit = defineEmits<{ correct: [lap: Lap, feet: number]; shown: [lap: TrackLap] }>()

const laps = computed(() => props.track.laps)
const chosen = ref<number[]>([laps.value[0]?.number ?? 1])
const current = computed(() => laps.value.find((lap) => lap.number === chosen.value[0]))
watch(current, (lap) => lap && emit('shown', lap), { immediate: true })
const mode = ref<'over' | 'beside'>('over')
const MODES = [
  { value: 'over', label: say('replay.laid-over') },
  { value: 'beside', label: say('replay.side-by-side') },
] as const
const queries = useQueries({ queries: computed(() => chosen.value.map((number) => replayQuery(props.fileId, number))) })
const problem = computed(() => queries.value.find((one) => one.error)?.error?.message ?? '')
const drawn = computed(() => queries.value.map((one) => one.data).filter((one): one is Replay => !!one))
const span = computed(() => (drawn.value.length ? spanOf(drawn.value) : ([0, 1] as const)))
const cursor = provideCursor(() => span.value)

function show(number: number) {
  chosen.value = [number]
}
/** One lap more, or one less; the last one stays. */
function lay(number: number) {
  if (!chosen.value.includes(number)) chosen.value = [...chosen.value, number].slice(-MOST_LAPS)
  else if (chosen.value.length > 1) chosen.value = chosen.value.filter((one) => one !== number)
}
function move(by: number) {
  const at = laps.value.findIndex((lap) => lap.number === chosen.value[0])
  const next = laps.value[at + by]
  if (next) show(next.number)
}
useKeys({
  '[': () => move(-1),
  ']': () => move(1),
  ' ': () => cursor.toggle(),
})
const eventOf = (lap: TrackLap) => props.track.events[lap.end]!
const endWords = (lap: TrackLap) => endedBy(eventOf(lap))
const scoredOf = (number: number) => {
  const end = laps.value.find((lap) => lap.number === number)?.end
  return props.scored.find((lap) => lap.track_file_id === props.fileId && lap.track_event === end) ?? null
}
/** What is planned for a lap; of a flight nobody has matched, where its own path pointed. */
function plannedOf(number: number): Planned | null {
  const scored = scoredOf(number)
  if (scored && props.pathAngle !== null) {
    return {
      aim_ft: scored.aim_point_ft,
      angle_deg: props.pathAngle,
      label: say('replay.aim-planned', { aim_point_ft: round(scored.aim_point_ft, 10) }),
    }
  }
  const lap = laps.value.find((one) => one.number === number)
  const event = lap && eventOf(lap)
  if (event?.final.aim_flown_ft == null || !event.final.path_angle_deg) return null
  return {
    aim_ft: event.final.aim_flown_ft,
    angle_deg: event.final.path_angle_deg,
    label: say('replay.mark-path-pointed-at', { aim_flown_ft: round(event.final.aim_flown_ft, 10) }),
  }
}
function markOf(number: number): TouchMark | null {
  const scored = scoredOf(number)
  const lap = laps.value.find((one) => one.number === number)
  const event = lap && eventOf(lap)
  if (event?.kind !== 'touchdown' || event.along_ft === null) return null
  const reading = scored?.readings.along_ft
  const counts = scored?.known_by.along_ft ?? 'tracked'
  const one = reading?.[counts as 'tracked'] as { value: number; half_width: number | null } | undefined
  const along = one?.value ?? scored?.along_ft ?? event.along_ft
  const half = one ? one.half_width : event.uncertainty_ft
  const how = counts === 'tracked' ? 'measured' : counts
  return {
    along,
    halfWidth: half,
    label: say('replay.ft', { along: round(along), half: half === null ? '' : ` ± ${round(half)}`, how }),
  }
}
/** Box and spot of a lap that was scored. */
function briefOf(number: number): Marks | null {
  const lap = scoredOf(number)
  return (
    lap && {
      spot_ft: lap.spot_ft,
      box_ft: lap.box_ft as [number, number],
      aim_point_ft: lap.aim_point_ft,
      go_around_point_ft: null,
    }
  )
}
const touchesOf = (group: readonly Replay[]) =>
  group.flatMap((one): Touch[] => {
    const mark = markOf(one.number)
    const event = eventOf(laps.value.find((lap) => lap.number === one.number)!)
    return mark
      ? [
          {
            key: String(one.number),
            along: mark.along,
            lateral: scoredOf(one.number)?.lateral_ft ?? event.lateral_ft,
            label: String(one.number),
          },
        ]
      : []
  })
const stripView = (one: Replay) =>
  windowAround(one.runway, briefOf(one.number)?.spot_ft ?? markOf(one.number)?.along ?? 500, sideWidth.value, 2.6)
function onStrip(lap: Replay, time: number, x: (feet: number) => number, y: (feet: number) => number) {
  const [along, lateral, feet] = [
    valueAt(lap, 'along_ft', time),
    valueAt(lap, 'lateral_ft', time),
    valueAt(lap, 'height_ft', time),
  ]
  if (along === null || lateral === null || (feet ?? 0) > 60 || Math.abs(lateral) > lap.runway.width_ft) return null
  return [x(along), y(lateral)] as const
}
const groups = computed(() =>
  mode.value === 'over' || drawn.value.length < 2 ? [drawn.value] : drawn.value.map((one) => [one]),
)
const frame = ref<HTMLElement | null>(null)
const width = useWidth(frame)
const near = ref(false)
const GAP = 12
const columns = computed(() => (width.value > 900 ? 2 : 1))
const mapWidth = computed(() =>
  Math.floor(columns.value === 2 && groups.value.length === 1 ? width.value * 0.36 : groupWidth.value),
)
const groupWidth = computed(() =>
  groups.value.length > 1 && width.value > 640
    ? Math.floor((width.value - GAP * (groups.value.length - 1)) / groups.value.length)
    : width.value,
)
const sideWidth = computed(() =>
  groups.value.length === 1 && columns.value === 2 ? width.value - mapWidth.value - GAP : groupWidth.value,
)
const mapHeight = computed(() =>
  groups.value.length === 1 && columns.value === 2 ? 690 : Math.min(500, Math.max(320, mapWidth.value * 0.95)),
)
const speeds = computed(() => {
  const all = drawn.value.flatMap((lap) => lap.groundspeed_kt)
  const most = all.reduce((a, b) => Math.max(a, b), 60)
  const high = Math.ceil(most / 20) * 20
  return {
    high,
    guides: [40, 60, 80, 100, 120, 160].filter((kt) => kt < high).map((kt) => ({ value: kt, label: String(kt) })),
  }
})
const BANKS = [-30, 0, 30].map((value) => ({
  value,
  label: value === 0 ? '0' : `${Math.abs(value)} ${value < 0 ? 'L' : 'R'}`,
}))
const moments = computed(() => {
  const lap = drawn.value[0]
  const of = current.value
  return lap && of ? momentsOf(lap, eventOf(of).kind === 'touchdown') : []
})
</script>

<template>
  <section class="space-y-3" :aria-label="say('replay.replay')">
    <div class="panel space-y-2">
      <div class="flex flex-wrap items-center gap-1.5" role="group" :aria-label="say('common.laps')">
        <button
          v-for="lap in laps"
          :key="lap.number"
          type="button"
          class="button !px-3"
          :class="lap.number === chosen[0] ? 'button-main' : ''"
          :aria-pressed="lap.number === chosen[0]"
          :title="`${endWords(lap)}, ${clock(lap.to)}`"
          @click="show(lap.number)"
        >
          {{ say('common.lap-number', { number: lap.number }) }}
        </button>
        <span v-if="laps.length > 1" class="mx-1 text-soft">{{ say('replay.with') }}</span>
        <Chip
          v-for="lap in laps.length > 1 ? laps.filter((one) => one.number !== chosen[0]) : []"
          :key="lap.number"
          class="!min-h-11 min-w-11"
          :on="chosen.includes(lap.number)"
          :aria-label="say('replay.lay-lap-over-it', { number: lap.number })"
          @click="lay(lap.number)"
        >
          {{ lap.number }}
        </Chip>
        <span class="flex-1" />
        <Choice
          v-if="chosen.length > 1"
          v-model="mode"
          :label="say('common.laps')"
          class="[&>label]:sr-only"
          :options="MODES"
        />
      </div>
      <p v-if="current" class="flex flex-wrap gap-x-5 gap-y-1">
        <span v-for="(number, order) in chosen" :key="number" class="flex items-center gap-2">
          <svg width="38" height="8" aria-hidden="true">
            <line
              x1="0"
              x2="38"
              y1="4"
              y2="4"
              :stroke="line(order).stroke"
              stroke-width="3"
              :stroke-dasharray="line(order).dash"
            />
          </svg>
          {{
            say('replay.lap', {
              number,
              number_2: endWords(laps.find((one) => one.number === number)!),
              to: clock(laps.find((one) => one.number === number)!.to),
            })
          }}
        </span>
      </p>
    </div>
    <p v-if="problem" role="alert" class="panel font-bold text-fail-ink">{{ problem }}</p>
    <Transport v-if="drawn.length" :span="span" :moments="moments" />
    <div ref="frame" class="w-full overflow-hidden">
      <div v-if="width > 0 && drawn.length" class="flex flex-wrap" :style="{ gap: `${GAP}px` }">
        <div
          v-for="group in groups"
          :key="group.map((one) => one.number).join()"
          class="flex flex-wrap content-start"
          :style="{ gap: `${GAP}px`, width: groups.length > 1 ? `${groupWidth}px` : 'auto' }"
        >
          <div class="panel !p-0" data-view="above">
            <FromAbove :laps="group" :pattern="pattern" :width="mapWidth - 2" :height="mapHeight" />
          </div>
          <div class="space-y-3">
            <div class="panel !p-0" data-view="final">
              <Strip
                :runway="group[0]!.runway"
                :brief="briefOf(group[0]!.number)"
                :touches="touchesOf(group)"
                :from="stripView(group[0]!).from"
                :to="stripView(group[0]!).to"
                :width="sideWidth - 2"
                :runway-height="56"
              >
                <template #default="{ x, y }">
                  <CursorDots :laps="group" :place="(lap, time) => onStrip(lap, time, x, y)" />
                </template>
              </Strip>
              <div class="flex items-center justify-between px-2 pt-1">
                <h2 class="font-bold">
                  {{
                    say('replay.final', {
                      groups: groups.length > 1 ? ' ' + say('replay.of-lap', { number: group[0]!.number }) : '',
                    })
                  }}
                </h2>
                <button type="button" class="button !min-h-9" @click="near = !near">
                  {{ near ? say('replay.whole-final') : say('replay.touchdown-larger') }}
                </button>
              </div>
              <FinalProfile
                v-model:near="near"
                :laps="group"
                :planned="plannedOf(group[0]!.number)"
                :mark="markOf(group[0]!.number)"
                :movable="movable && scoredOf(group[0]!.number) !== null"
                :width="sideWidth - 2"
                :height="230"
                @move="emit('correct', scoredOf(group[0]!.number)!, $event)"
              />
            </div>
            <div class="panel !p-1">
              <ByTime
                :laps="group"
                column="groundspeed_kt"
                :label="say('replay.groundspeed-kt')"
                :low="0"
                :high="speeds.high"
                :guides="speeds.guides"
                :width="sideWidth - 10"
                :height="112"
              />
            </div>
            <div class="panel !p-1">
              <ByTime
                :laps="group"
                column="bank_deg"
                :label="say('replay.bank-degrees')"
                :low="-45"
                :high="45"
                :guides="BANKS"
                :width="sideWidth - 10"
                :height="112"
              />
            </div>
          </div>
        </div>
      </div>
      <p v-else-if="!problem" class="p-8 text-center text-soft">{{ say('common.loading') }}</p>
    </div>
  </section>
</template>
