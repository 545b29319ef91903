<script setup lang="ts">
/** The laps of the lesson in order: worked out from time, wind and record; the instructor reorders and edits. */
import { say } from '@/said'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { LIMITS } from '@/api/limits'
import { api } from '@/api/calls'
import { forgetSortie, planQuery, sessionQuery, sortieQuery } from '@/api/queries'
import type { ExerciseKind, PlannedLap } from '@/api/types'
import Loading from '@/components/Loading.vue'
import LazyField from '@/components/LazyField.vue'
import Stepper from '@/components/Stepper.vue'
import { useWrite } from '@/composables/useWrite'
import { landingLength } from '@/strip/places'
import { EXERCISE_LABEL, round } from '@/words'

const id = Number(useRoute().params.id)
const client = useQueryClient()
const session = useQuery(sessionQuery)
const sortieState = useQuery(sortieQuery(id))
const planState = useQuery(planQuery(id))
const sortie = computed(() => sortieState.data.value)
const plan = computed(() => planState.data.value?.plan.lap_plan)
const mayChange = computed(() => session.data.value?.person?.role !== 'student')
const KINDS = Object.keys(EXERCISE_LABEL) as ExerciseKind[]
const lands = (kind: ExerciseKind) => !['go_around', 'low_approach', 'hold_off_drill'].includes(kind)

const laps = ref<PlannedLap[]>([])
const isChanged = ref(false)
watch(
  plan,
  (now) => {
    if (!now || isChanged.value) return
    laps.value = now.laps.map(({ kind, runway, spot_ft, watch: look, why }) => ({
      kind,
      runway,
      spot_ft,
      watch: look,
      why,
    }))
  },
  { immediate: true },
)
function edit(change: () => void) {
  change()
  isChanged.value = true
}
function move(from: number, to: number) {
  if (to < 0 || to >= laps.value.length) return
  edit(() => laps.value.splice(to, 0, ...laps.value.splice(from, 1)))
}
function retype(lap: PlannedLap, kind: ExerciseKind) {
  edit(() => {
    lap.kind = kind
    lap.spot_ft = lands(kind) ? (lap.spot_ft ?? sortie.value?.spot_ft ?? 0) : null
  })
}
function add() {
  const one = sortie.value
  if (!one) return
  edit(() =>
    laps.value.push({
      kind: one.landing,
      runway: one.runway.ident,
      spot_ft: one.spot_ft,
      watch: say('lapplan.speed-on-final'),
      why: '',
    }),
  )
}
const { write, problem } = useWrite({ refresh: () => forgetSortie(client, id) })
/** Keep an order of laps; null: as worked out. */
async function order(what: string, lap_plan: PlannedLap[] | null) {
  const before = sortie.value?.lap_plan ?? null
  const kept = await write({
    call: () => api.changeSortie(id, { lap_plan }, { lap_plan: before }).then(() => (isChanged.value = false)),
    undo: { what, back: () => api.changeSortie(id, { lap_plan: before }) },
  })
  return kept !== undefined
}
const keep = () => order(say('lapplan.lap-plan'), laps.value)
const workOut = () => order(say('lapplan.lap-plan-worked-out-anew'), null)
async function book(also: { booked_min?: number; fuel_gal?: number | null }) {
  const { booked_min, fuel_gal } = sortie.value ?? {}
  await write({
    call: () => api.changeSortie(id, also, { booked_min, fuel_gal }),
    undo: {
      what: say('lapplan.time-and-fuel'),
      back: () =>
        api.changeSortie(
          id,
          {
            ...(booked_min === undefined ? {} : { booked_min }),
            ...(fuel_gal === undefined ? {} : { fuel_gal }),
          },
          also,
        ),
    },
  })
}
/** What to fly on a lap as it stands; a changed spot only moves the feet. */
const briefed = (lap: PlannedLap) =>
  plan.value?.laps.find((one) => one.kind === lap.kind && (one.spot_ft !== null) === (lap.spot_ft !== null))
/** Why a lap is not good, known once it is kept as it stands. */
const problemOf = (lap: PlannedLap) =>
  plan.value?.laps.find((one) => one.kind === lap.kind && one.spot_ft === lap.spot_ft)?.problem ?? null
function aim(lap: PlannedLap) {
  const known = briefed(lap)
  if (!known || known.aim_point_ft === null || known.spot_ft === null || lap.spot_ft === null) return null
  return lap.spot_ft + known.aim_point_ft - known.spot_ft
}
</script>

<template>
  <Loading
    v-if="!sortie || !plan"
    :error="sortieState.error.value ?? planState.error.value"
    :retry="() => [sortieState.refetch(), planState.refetch()]"
  />
  <div v-else class="grid gap-3 xl:grid-cols-[minmax(0,1fr)_340px]">
    <div class="min-w-0 space-y-3">
      <div class="flex flex-wrap items-center gap-x-3 gap-y-2">
        <div class="min-w-0 flex-1">
          <h1 class="text-2xl font-bold">{{ say('lapplan.lap-plan-runway', { ident: sortie.runway.ident }) }}</h1>
          <p>{{ plan.words }}</p>
        </div>
        <template v-if="mayChange && isChanged">
          <button type="button" class="button button-main" @click="keep">{{ say('common.keep') }}</button>
          <button
            type="button"
            class="button"
            @click="((isChanged = false), planState.refetch(), (laps = plan.laps.map((l) => ({ ...l }))))"
          >
            {{ say('common.as-it-was') }}
          </button>
        </template>
        <button v-else-if="mayChange && plan.is_own" type="button" class="button" @click="workOut">
          {{ say('lapplan.work-out-anew') }}
        </button>
      </div>
      <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
      <ol class="space-y-2" :aria-label="say('lapplan.laps-in-order')">
        <li
          v-for="(lap, i) in laps"
          :key="i"
          class="panel grid items-center gap-x-3 gap-y-2 !py-2 md:grid-cols-[2rem_12rem_12rem_1fr_auto]"
        >
          <span class="figure text-2xl">{{ i + 1 }}</span>
          <select
            v-if="mayChange"
            class="field"
            :aria-label="say('lapplan.lap-kind', { i: i + 1 })"
            :value="lap.kind"
            @change="retype(lap, ($event.target as HTMLSelectElement).value as ExerciseKind)"
          >
            <option v-for="kind in KINDS" :key="kind" :value="kind">{{ EXERCISE_LABEL[kind] }}</option>
          </select>
          <b v-else>{{ EXERCISE_LABEL[lap.kind] }}</b>
          <div>
            <Stepper
              v-if="mayChange && lap.spot_ft !== null"
              :model-value="lap.spot_ft"
              :label="say('lapplan.lap-spot', { i: i + 1 })"
              unit="ft"
              :min="0"
              :max="landingLength(sortie.runway) - 10"
              :step="10"
              @update:model-value="edit(() => (lap.spot_ft = $event ?? lap.spot_ft))"
            />
            <template v-else-if="lap.spot_ft !== null">{{
              say('lapplan.spot-ft', { spot_ft: round(lap.spot_ft, 10) })
            }}</template>
          </div>
          <p class="min-w-0">
            <b v-if="problemOf(lap)" class="text-fail-ink">{{ say('lapplan.no-good-aim-point-here') }}<br /></b>
            <template v-else-if="aim(lap) !== null"
              ><b class="figure text-xl text-aim-ink">{{ say('lapplan.aim-ft', { lap: round(aim(lap), 10) }) }}</b
              ><br
            /></template>
            <span v-if="briefed(lap)?.approach_kias" class="text-sm">{{
              say('lapplan.kias-flap', { approach_kias: round(briefed(lap)?.approach_kias), flap: briefed(lap)?.flap })
            }}</span>
          </p>
          <p v-if="problemOf(lap)" class="font-bold text-fail-ink md:col-span-5 md:row-start-2 md:pl-11">
            {{ problemOf(lap) }}
          </p>
          <div
            class="min-w-0 md:col-span-5 md:flex md:items-center md:gap-3 md:pl-11"
            :class="problemOf(lap) ? 'md:row-start-3' : 'md:row-start-2'"
          >
            <LazyField
              v-if="mayChange"
              :model-value="lap.watch"
              class="field flex-1"
              maxlength="80"
              :aria-label="say('lapplan.lap-one-thing-to-watch', { i: i + 1 })"
              @update:model-value="edit(() => (lap.watch = $event || lap.watch))"
            />
            <p v-else class="flex-1">{{ say('lapplan.watch', { watch: lap.watch }) }}</p>
            <p v-if="lap.why" class="whitespace-nowrap text-sm text-soft">{{ lap.why }}</p>
          </div>
          <div v-if="mayChange" class="flex gap-1">
            <button
              type="button"
              class="button !px-3"
              :disabled="i === 0"
              :aria-label="say('lapplan.lap-earlier', { i: i + 1 })"
              @click="move(i, i - 1)"
            >
              ↑
            </button>
            <button
              type="button"
              class="button !px-3"
              :disabled="i === laps.length - 1"
              :aria-label="say('lapplan.lap-later', { i: i + 1 })"
              @click="move(i, i + 1)"
            >
              ↓
            </button>
            <button
              type="button"
              class="button !px-3"
              :aria-label="say('lapplan.remove-lap', { i: i + 1 })"
              @click="edit(() => laps.splice(i, 1))"
            >
              ×
            </button>
          </div>
        </li>
      </ol>
      <button v-if="mayChange" type="button" class="button" :disabled="laps.length >= 20" @click="add">
        {{ say('lapplan.add-a-lap') }}
      </button>
    </div>
    <aside class="min-w-0 space-y-3">
      <section class="panel space-y-3" :aria-label="say('lapplan.heading-time-and-fuel')">
        <Stepper
          :model-value="sortie.booked_min"
          :label="say('lapplan.booked-block-to-block')"
          unit="min"
          :min="LIMITS.bookedMin.min"
          :max="LIMITS.bookedMin.max"
          :step="10"
          @update:model-value="$event && book({ booked_min: $event })"
        />
        <Stepper
          :model-value="sortie.fuel_gal"
          :label="say('lapplan.fuel-aboard')"
          :hint="say('lapplan.left-empty-it-does-not')"
          unit="gal"
          :min="0"
          :max="200"
          :start="20"
          :empty-word="say('common.unknown')"
          @update:model-value="book({ fuel_gal: $event })"
        />
        <p>{{ say('lapplan.a-lap-takes-about-min', { lap_s: round(plan.lap_s / 60) }) }}</p>
        <p v-for="note in plan.notes" :key="note" class="text-sm font-bold">▲ {{ note }}</p>
      </section>
      <section class="panel" aria-labelledby="kneeboard">
        <h2 id="kneeboard" class="text-lg font-bold">{{ say('common.kneeboard-card') }}</h2>
        <p class="text-sm text-soft">{{ say('lapplan.one-a5-page-for-when') }}</p>
        <div class="mt-2 flex flex-wrap gap-2">
          <RouterLink class="button" :to="{ name: 'kneeboard', params: { id } }">{{
            say('lapplan.show-and-print')
          }}</RouterLink>
          <a class="button" :href="`/api/sorties/${id}/kneeboard-a5.pdf`" target="_blank" rel="noopener">{{
            say('common.pdf-a5')
          }}</a>
          <a class="button" :href="`/api/sorties/${id}/kneeboard-a4.pdf`" target="_blank" rel="noopener">{{
            say('common.pdf-two-on-a4')
          }}</a>
        </div>
      </section>
    </aside>
  </div>
</template>
