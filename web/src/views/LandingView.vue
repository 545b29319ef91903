<script setup lang="ts">
/** The landing as briefed: what to fly and where to aim, and what a change would do in feet. */
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref } from 'vue'
import { useRoute } from 'vue-router'
import { LIMITS } from '@/api/limits'
import { api } from '@/api/calls'
import {
  briefAsked,
  briefForQuery,
  briefQuery,
  forgetSortie,
  windAsked,
  planQuery,
  sessionQuery,
  sortieQuery,
} from '@/api/queries'
import type { BriefChanges } from '@/api/types'
import Cautions from '@/components/Cautions.vue'
import Figure from '@/components/Figure.vue'
import LandingCard from '@/components/LandingCard.vue'
import Overrules from '@/components/Overrules.vue'
import Loading from '@/components/Loading.vue'
import SpeedSteps from '@/components/SpeedSteps.vue'
import Stepper from '@/components/Stepper.vue'
import WindOnRunway from '@/components/WindOnRunway.vue'
import { useWhatIf } from '@/composables/useWhatIf'
import { useWindRead } from '@/composables/useWindRead'
import { useWidth } from '@/composables/useWidth'
import { useWrite } from '@/composables/useWrite'
import { landingLength, marksOf, movedBy, windowAround } from '@/strip/places'
import Profile from '@/strip/Profile.vue'
import Strip from '@/strip/Strip.vue'
import {
  GO_AROUND_BY,
  glideMargin,
  goAroundWords,
  LANDING_LABEL,
  percent,
  round,
  signed,
  windWords,
  wholeDirection,
} from '@/words'

const id = Number(useRoute().params.id)
const client = useQueryClient()
const session = useQuery(sessionQuery)
const sortieState = useQuery(sortieQuery(id))
const sortie = computed(() => sortieState.data.value)
/** In the wind that was read last on a lap, where that is another than the sortie's. */
const windRead = useWindRead(id, sortie)
const briefState = useQuery(briefQuery(id))
const inWind = useQuery(
  computed(() => ({
    ...briefForQuery(id, sortie.value?.landing ?? 'normal', sortie.value?.spot_ft ?? 0, null, windRead.value),
    enabled: !!sortie.value && !!windRead.value,
    // the answer for another wind is none for this one; a spot that moved is drawn at once
    placeholderData: <T,>(before: T, asked?: { queryKey: readonly unknown[] }) =>
      JSON.stringify(asked?.queryKey[5]) === JSON.stringify(windRead.value) ? before : undefined,
  })),
)
const kept = computed(() => (windRead.value ? inWind.data.value : briefState.data.value)?.brief)
const mayChange = computed(() => session.data.value?.person?.role !== 'student')

const changes = reactive<Partial<BriefChanges>>({})
const isChanged = computed(() => Object.keys(changes).length > 0)
const whatIf = useWhatIf((asked) => briefAsked(id, { ...(windRead.value ? windAsked(windRead.value) : {}), ...asked }))
const answered = computed(() => (isChanged.value ? (whatIf.answer.value?.brief ?? null) : null) ?? kept.value)
/** While the spot is dragged the drawing moves with it at once; the server's answer follows. */
const brief = computed(() => {
  const base = answered.value
  if (!base) return undefined
  return movedBy(base, (changes.spot_ft ?? sortie.value?.spot_ft ?? base.aim.spot_ft) - base.aim.spot_ft)
})
const words = computed(() => (isChanged.value ? (whatIf.answer.value?.change?.words ?? '') : ''))

function change<K extends keyof BriefChanges>(key: K, value: BriefChanges[K]) {
  changes[key] = value
  void whatIf.change({ ...changes })
}
function back() {
  for (const key of Object.keys(changes) as (keyof BriefChanges)[]) delete changes[key]
  whatIf.forget()
}
const { write, problem: saveProblem } = useWrite({ refresh: () => forgetSortie(client, id) })
async function keep() {
  const before = sortie.value
  if (!before) return
  const wanted = { ...changes }
  const were = Object.fromEntries(Object.keys(wanted).map((key) => [key, before[key as keyof typeof before]]))
  const kept = await write({
    call: () => api.changeSortie(id, wanted as Parameters<typeof api.changeSortie>[1], were),
    undo: { what: 'change of the brief', back: () => api.changeSortie(id, were, wanted) },
  })
  if (kept) back()
}

const isFlown = computed(() => !!brief.value && (brief.value.aim.aim_is_good || brief.value.aim.is_set_by_instructor))

type Asked = 'spot_ft' | 'approach_speed_kias' | 'wind_dir_deg_mag' | 'wind_kt' | 'gust_kt' | 'weight_lb' | 'flap'
function now<K extends Asked>(key: K) {
  const read: Partial<BriefChanges> = windRead.value ? windAsked(windRead.value) : {}
  return key in changes ? changes[key] : key in read ? read[key] : sortie.value?.[key]
}
const wind = computed(() => ({
  wind_dir_deg_mag: (now('wind_dir_deg_mag') as number | null | undefined) ?? null,
  wind_kt: (now('wind_kt') as number | null | undefined) ?? null, // null: nobody has given it
  gust_kt: (now('gust_kt') as number | null | undefined) ?? null,
}))

const planState = useQuery(planQuery(id))
const plan = computed(() => planState.data.value?.plan)
const cautions = computed(() => [...(brief.value?.cautions ?? []), ...(plan.value?.night ? [plan.value.night] : [])])
const isFullStop = computed(() => (plan.value?.touch_and_go_margin_ft ?? -1) < 0)
/** The stretch of runway a glide from abeam can reach, clean to full flap with a slip. */
const reach = computed(() => planState.data.value?.plan.power_off?.reach_ft ?? null)
const frame = ref<HTMLElement | null>(null)
const width = useWidth(frame)
const view = computed(() =>
  sortie.value ? windowAround(sortie.value.runway, sortie.value.spot_ft, width.value, 4.4, 420) : { from: 0, to: 1 },
)
const otherProblem = computed(() =>
  whatIf.problem.value && !Object.keys(whatIf.fields.value).length ? whatIf.problem.value : saveProblem.value,
)
</script>

<template>
  <Loading
    v-if="!sortie || !brief"
    :error="sortieState.error.value ?? briefState.error.value"
    :retry="() => [sortieState.refetch(), briefState.refetch()]"
  />
  <div v-else class="grid gap-3 xl:grid-cols-[minmax(0,1fr)_340px]">
    <div class="min-w-0 space-y-3">
      <div class="flex flex-wrap items-center gap-x-3 gap-y-1">
        <h1 class="text-2xl font-bold">
          {{ LANDING_LABEL[sortie.landing] }} landing, runway {{ sortie.runway.ident }}
        </h1>
        <p class="text-soft">{{ sortie.student.name }} · {{ sortie.aircraft.name }} · {{ sortie.standard.name }}</p>
        <span class="flex-1" />
        <RouterLink class="button" :to="{ name: 'lap-plan', params: { id } }">Lap plan</RouterLink>
      </div>
      <div class="grid grid-cols-2 gap-2 md:grid-cols-[0.8fr_1fr_1fr_1.2fr]">
        <Figure
          label="Fly"
          :value="round(brief.speed.approach_speed_kias)"
          unit="KIAS"
          :note="`flap ${brief.speed.flap}, path ${brief.speed.path_angle_deg.toFixed(1)}°`"
        />
        <Figure
          label="Aim"
          :tone="brief.aim.aim_is_good ? 'aim' : 'fail'"
          :value="isFlown ? round(brief.aim.aim_point_ft, 10) : '✕ none'"
          :unit="isFlown ? 'ft' : ''"
          :note="
            brief.aim.is_set_by_instructor
              ? `set by the instructor; ${brief.aim.aim_is_good ? brief.aim.aim_before_spot_words : 'mind the cautions'}`
              : brief.aim.aim_is_good
                ? brief.aim.aim_before_spot_words
                : 'not to be flown: see the cautions'
          "
        />
        <Figure
          label="Chance to hit the box"
          :value="brief.aim.aim_is_good ? percent(brief.aim.hit_chance) : '–'"
          :note="
            !brief.aim.aim_is_good
              ? 'no aim point is good'
              : `at the usual speed; ${percent(brief.aim.hit_chance_if_briefed)} at the briefed speed`
          "
        />
        <Figure
          label="Go around if not down by"
          tone="fail"
          :value="goAroundWords(brief.ground.go_around_point_ft)"
          :unit="brief.ground.go_around_point_ft < 0 ? '' : 'ft'"
          :note="brief.ground.go_around_point_ft < 0 ? 'do not land here' : GO_AROUND_BY[brief.ground.go_around_by]"
        />
      </div>
      <Cautions :cautions="cautions" />
      <section class="panel !p-2" aria-label="Strip and profile">
        <div ref="frame" class="w-full overflow-hidden">
          <template v-if="width > 0">
            <Strip
              :runway="sortie.runway"
              :brief="marksOf(brief)"
              :exits="brief.rollout.exits"
              :from="view.from"
              :to="view.to"
              :width="width"
              :reach="sortie.landing === 'power_off' ? reach : null"
              can-drag-spot
              @spot="change('spot_ft', $event)"
            />
            <Profile :runway="sortie.runway" :brief="brief" :from="view.from" :to="view.to" :width="width" />
          </template>
        </div>
        <p v-if="brief.aim.aim_is_good" class="px-1 pt-1 text-lg font-bold">{{ brief.aim.roundout_cue.words }}</p>
        <p v-if="sortie.landing === 'power_off' && planState.data.value?.plan.power_off" class="px-1">
          {{ planState.data.value.plan.power_off.words }} The glide reaches {{ round(reach?.[0], 10) }} to
          {{ round(reach?.[1], 10) }} ft: {{ glideMargin(planState.data.value.plan.power_off.margin_ft) }} the aim.
        </p>
      </section>
      <LandingCard :own="brief.card" :crosswind="brief.wind.crosswind" :sortie-id="id" />
      <Overrules
        v-if="mayChange && !isChanged"
        :sortie="sortie"
        part="landing"
        :worked="{
          aim_point_ft: brief.aim.recommended_aim_point_ft,
          approach_speed_kias: brief.speed.recommended_speed_kias,
          go_around_point_ft: brief.ground.nearest_point_ft,
          landing_roll_ft: brief.ground.ground_roll?.factored_ft,
        }"
      />
      <section class="panel" aria-label="What if">
        <div class="mb-2 flex min-h-11 flex-wrap items-center gap-2">
          <p class="min-w-0 flex-1 font-bold" role="status">
            {{
              words || (isChanged ? '…' : 'What if? Drag the ring, or change a value: the effect is said here in feet.')
            }}
          </p>
          <template v-if="isChanged">
            <button v-if="mayChange" type="button" class="button button-main" @click="keep">Keep</button>
            <button type="button" class="button" @click="back">As it was</button>
          </template>
        </div>
        <p v-if="otherProblem" role="alert" class="mb-2 font-bold text-fail-ink">{{ otherProblem }}</p>
        <div class="grid gap-x-4 gap-y-2 sm:grid-cols-2 lg:grid-cols-4">
          <Stepper
            :model-value="now('spot_ft') as number"
            label="Spot from the threshold"
            unit="ft"
            :min="0"
            :max="landingLength(sortie.runway) - 10"
            :step="10"
            slide
            :error="whatIf.fields.value.spot_ft"
            @update:model-value="change('spot_ft', $event ?? sortie.spot_ft)"
          />
          <Stepper
            :model-value="(now('approach_speed_kias') as number | null) ?? null"
            label="Speed"
            hint="Left empty, the calculated speed is flown."
            unit="kt"
            :min="LIMITS.speedKias.min"
            :max="LIMITS.speedKias.max"
            :start="Math.round(brief.speed.recommended_speed_kias)"
            :empty-word="round(brief.speed.recommended_speed_kias)"
            :error="whatIf.fields.value.approach_speed_kias"
            @update:model-value="change('approach_speed_kias', $event)"
          />
          <Stepper
            :model-value="now('weight_lb') as number"
            label="Weight"
            unit="lb"
            :min="sortie.lightest_lb"
            :max="sortie.heaviest_lb"
            :step="10"
            slide
            :error="whatIf.fields.value.weight_lb"
            @update:model-value="change('weight_lb', $event ?? sortie.weight_lb)"
          />
          <div>
            <label for="flap" class="heading block">Flap</label>
            <select
              id="flap"
              class="field"
              :value="now('flap')"
              @change="change('flap', ($event.target as HTMLSelectElement).value)"
            >
              <option v-for="name in sortie.flaps" :key="name" :value="name">{{ name }}</option>
            </select>
          </div>
          <Stepper
            :model-value="wholeDirection(wind.wind_dir_deg_mag)"
            label="Wind from, magnetic"
            unit="°"
            :min="0"
            :max="360"
            :step="10"
            :start="Math.round(sortie.course_deg_mag / 10) * 10"
            empty-word="variable"
            slide
            :error="whatIf.fields.value.wind_dir_deg_mag"
            @update:model-value="change('wind_dir_deg_mag', $event)"
          />
          <Stepper
            :model-value="wind.wind_kt"
            label="Wind"
            unit="kt"
            :min="LIMITS.windKt.min"
            :max="LIMITS.windKt.max"
            :start="5"
            empty-word="not given"
            slide
            :error="whatIf.fields.value.wind_kt"
            @update:model-value="$event === null || change('wind_kt', $event)"
          />
          <Stepper
            :model-value="wind.gust_kt"
            label="Gust"
            hint="Leave it empty where there is none."
            unit="kt"
            :min="LIMITS.gustKt.min"
            :max="LIMITS.gustKt.max"
            :start="(wind.wind_kt ?? 5) + 5"
            empty-word="none"
            :error="whatIf.fields.value.gust_kt"
            @update:model-value="change('gust_kt', $event)"
          />
        </div>
      </section>
    </div>
    <aside class="grid min-w-0 content-start gap-3 md:grid-cols-2 xl:grid-cols-1">
      <section class="panel" aria-label="Wind on the runway">
        <WindOnRunway
          :brief="brief"
          :course-mag="sortie.course_deg_mag"
          :ident="sortie.runway.ident"
          :words="brief.wind.is_known ? windWords(wind) : 'Wind not given'"
        />
      </section>
      <section class="panel !py-1" aria-label="Speed"><SpeedSteps :brief="brief" /></section>
      <section class="panel" aria-labelledby="moves">
        <h2 id="moves" class="font-bold">What moves the touchdown</h2>
        <dl class="mt-1 grid grid-cols-[1fr_auto] gap-x-3">
          <dt>1 kt faster</dt>
          <dd class="figure text-right">{{ signed(brief.touchdown.ft_per_kt_speed) }} ft</dd>
          <dt>1 kt more headwind</dt>
          <dd class="figure text-right">{{ signed(brief.touchdown.ft_per_kt_headwind) }} ft</dd>
          <dt>Roundout 1 ft higher, then dropped in</dt>
          <dd class="figure text-right">{{ signed(brief.touchdown.ft_per_ft_roundout_height) }} ft</dd>
          <dt>Aim to touchdown</dt>
          <dd class="figure text-right">{{ round(brief.touchdown.touchdown_minus_aim_ft, 10) }} ft</dd>
          <dt>Descent on this path</dt>
          <dd class="figure text-right">{{ round(brief.speed.descent_rate_fpm, 10) }} fpm</dd>
          <dt>Density altitude</dt>
          <dd class="figure text-right">{{ round(brief.wind.density_altitude_ft, 10) }} ft</dd>
        </dl>
        <p class="mt-1 text-sm">{{ brief.wind.air_words }}</p>
      </section>
      <section class="panel" aria-labelledby="after">
        <h2 id="after" class="text-base font-bold">After the touchdown</h2>
        <p v-for="line in brief.rollout.rollout_words" :key="line" class="mt-1 text-sm">{{ line }}</p>
        <p v-if="brief.rollout.over_50_ft_ft !== null" class="mt-1 text-sm">
          From 50 ft over the threshold to the stop the handbook takes {{ round(brief.rollout.over_50_ft_ft, 10) }} ft.
        </p>
        <p class="mt-1 text-sm font-bold">{{ brief.ground.landing_margin.margin_words }}</p>
        <p v-if="plan" class="mt-1 text-sm" :class="isFullStop ? 'font-bold' : ''">{{ plan.touch_and_go_words }}</p>
      </section>
      <section class="panel text-sm" aria-labelledby="sure">
        <h2 id="sure" class="text-base font-bold">How sure</h2>
        <p v-if="brief.aim.aim_is_good" class="font-bold">{{ brief.aim.hit_words }}</p>
        <p>{{ brief.basis.words }}</p>
        <p class="mt-1">{{ brief.teaching.teaches_words }}</p>
        <p v-if="brief.basis.assumed.length" class="mt-1">
          <b>Not from the handbook</b>, until somebody enters it: {{ brief.basis.assumed.join('; ') }}.
        </p>
        <p class="mt-1 text-soft">
          Slowing in the float {{ brief.basis.deceleration_fps2.toFixed(1) }} ft/s², scatter
          {{ round(brief.basis.scatter_ft) }} ft; speed over the threshold {{ signed(brief.basis.speed_habit_kt) }} ±
          {{ round(1.96 * brief.basis.speed_habit_sd_kt) }} kt of the briefed. Technique: {{ sortie.technique.name }}.
        </p>
      </section>
    </aside>
  </div>
</template>
