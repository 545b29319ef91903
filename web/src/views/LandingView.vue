<script setup lang="ts">
/** The landing as briefed: what to fly and where to aim, and what a change would do in feet. */
import { say } from '@/said'
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
  fixed,
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
    undo: { what: say('landing.change-of-the-brief'), back: () => api.changeSortie(id, were, wanted) },
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
          {{ say('landing.landing-runway', { landing: LANDING_LABEL[sortie.landing], ident: sortie.runway.ident }) }}
        </h1>
        <p class="text-soft">{{ sortie.student.name }} · {{ sortie.aircraft.name }} · {{ sortie.standard.name }}</p>
        <span class="flex-1" />
        <RouterLink class="button" :to="{ name: 'lap-plan', params: { id } }">{{ say('common.lap-plan') }}</RouterLink>
      </div>
      <div class="grid grid-cols-2 gap-2 md:grid-cols-[0.8fr_1fr_1fr_1.2fr]">
        <Figure
          :label="say('common.fly')"
          :value="round(brief.speed.approach_speed_kias)"
          unit="KIAS"
          :note="
            say('landing.flap-path', { flap: brief.speed.flap, path_angle_deg: fixed(brief.speed.path_angle_deg, 1) })
          "
        />
        <Figure
          :label="say('common.aim')"
          :tone="brief.aim.aim_is_good ? 'aim' : 'fail'"
          :value="isFlown ? round(brief.aim.aim_point_ft, 10) : say('common.no-place')"
          :unit="isFlown ? 'ft' : ''"
          :note="
            brief.aim.is_set_by_instructor
              ? say('landing.set-by-the-instructor', {
                  aim_before_spot_words: brief.aim.aim_is_good
                    ? brief.aim.aim_before_spot_words
                    : say('landing.mind-the-cautions'),
                })
              : brief.aim.aim_is_good
                ? brief.aim.aim_before_spot_words
                : say('common.not-to-be-flown-see')
          "
        />
        <Figure
          :label="say('landing.chance-to-hit-the-box')"
          :value="brief.aim.aim_is_good ? percent(brief.aim.hit_chance) : '–'"
          :note="
            !brief.aim.aim_is_good
              ? say('landing.no-aim-point-is-good')
              : say('landing.at-the-usual-speed-at', {
                  hit_chance_if_briefed: percent(brief.aim.hit_chance_if_briefed),
                })
          "
        />
        <Figure
          :label="say('landing.go-around-if-not-down')"
          tone="fail"
          :value="goAroundWords(brief.ground.go_around_point_ft)"
          :unit="brief.ground.go_around_point_ft < 0 ? '' : 'ft'"
          :note="
            brief.ground.go_around_point_ft < 0
              ? say('landing.do-not-land-here')
              : GO_AROUND_BY[brief.ground.go_around_by]
          "
        />
      </div>
      <Cautions :cautions="cautions" />
      <section class="panel !p-2" :aria-label="say('landing.strip-and-profile')">
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
          {{
            say('landing.the-glide-reaches-to-ft', {
              words: planState.data.value.plan.power_off.words,
              reach: round(reach?.[0], 10),
              reach_2: round(reach?.[1], 10),
              margin_ft: glideMargin(planState.data.value.plan.power_off.margin_ft),
            })
          }}
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
      <section class="panel" :aria-label="say('common.what-if')">
        <div class="mb-2 flex min-h-11 flex-wrap items-center gap-2">
          <p class="min-w-0 flex-1 font-bold" role="status">
            {{ words || (isChanged ? '…' : say('landing.what-if-drag-the-ring')) }}
          </p>
          <template v-if="isChanged">
            <button v-if="mayChange" type="button" class="button button-main" @click="keep">
              {{ say('common.keep') }}
            </button>
            <button type="button" class="button" @click="back">{{ say('common.as-it-was') }}</button>
          </template>
        </div>
        <p v-if="otherProblem" role="alert" class="mb-2 font-bold text-fail-ink">{{ otherProblem }}</p>
        <div class="grid gap-x-4 gap-y-2 sm:grid-cols-2 lg:grid-cols-4">
          <Stepper
            :model-value="now('spot_ft') as number"
            :label="say('landing.spot-from-the-threshold')"
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
            :label="say('common.speed')"
            :hint="say('landing.left-empty-the-calculated-speed')"
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
            :label="say('common.weight')"
            unit="lb"
            :min="sortie.lightest_lb"
            :max="sortie.heaviest_lb"
            :step="10"
            slide
            :error="whatIf.fields.value.weight_lb"
            @update:model-value="change('weight_lb', $event ?? sortie.weight_lb)"
          />
          <div>
            <label for="flap" class="heading block">{{ say('common.flap') }}</label>
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
            :label="say('common.wind-from-magnetic')"
            unit="°"
            :min="0"
            :max="360"
            :step="10"
            :start="Math.round(sortie.course_deg_mag / 10) * 10"
            :empty-word="say('common.variable')"
            slide
            :error="whatIf.fields.value.wind_dir_deg_mag"
            @update:model-value="change('wind_dir_deg_mag', $event)"
          />
          <Stepper
            :model-value="wind.wind_kt"
            :label="say('common.wind')"
            unit="kt"
            :min="LIMITS.windKt.min"
            :max="LIMITS.windKt.max"
            :start="5"
            :empty-word="say('common.not-given')"
            slide
            :error="whatIf.fields.value.wind_kt"
            @update:model-value="$event === null || change('wind_kt', $event)"
          />
          <Stepper
            :model-value="wind.gust_kt"
            :label="say('common.gust')"
            :hint="say('common.leave-it-empty-where-there')"
            unit="kt"
            :min="LIMITS.gustKt.min"
            :max="LIMITS.gustKt.max"
            :start="(wind.wind_kt ?? 5) + 5"
            :empty-word="say('common.none')"
            :error="whatIf.fields.value.gust_kt"
            @update:model-value="change('gust_kt', $event)"
          />
        </div>
      </section>
    </div>
    <aside class="grid min-w-0 content-start gap-3 md:grid-cols-2 xl:grid-cols-1">
      <section class="panel" :aria-label="say('landing.wind-on-the-runway')">
        <WindOnRunway
          :brief="brief"
          :course-mag="sortie.course_deg_mag"
          :ident="sortie.runway.ident"
          :words="brief.wind.is_known ? windWords(wind) : say('landing.wind-not-given')"
        />
      </section>
      <section class="panel !py-1" :aria-label="say('common.speed')"><SpeedSteps :brief="brief" /></section>
      <section class="panel" aria-labelledby="moves">
        <h2 id="moves" class="font-bold">{{ say('landing.what-moves-the-touchdown') }}</h2>
        <dl class="mt-1 grid grid-cols-[1fr_auto] gap-x-3">
          <dt>{{ say('landing.n-1-kt-faster') }}</dt>
          <dd class="figure text-right">{{ signed(brief.touchdown.ft_per_kt_speed) }} ft</dd>
          <dt>{{ say('landing.n-1-kt-more-headwind') }}</dt>
          <dd class="figure text-right">{{ signed(brief.touchdown.ft_per_kt_headwind) }} ft</dd>
          <dt>{{ say('landing.roundout-1-ft-higher-then') }}</dt>
          <dd class="figure text-right">{{ signed(brief.touchdown.ft_per_ft_roundout_height) }} ft</dd>
          <dt>{{ say('landing.aim-to-touchdown') }}</dt>
          <dd class="figure text-right">{{ round(brief.touchdown.touchdown_minus_aim_ft, 10) }} ft</dd>
          <dt>{{ say('landing.descent-on-this-path') }}</dt>
          <dd class="figure text-right">{{ round(brief.speed.descent_rate_fpm, 10) }} fpm</dd>
          <dt>{{ say('landing.density-altitude') }}</dt>
          <dd class="figure text-right">{{ round(brief.wind.density_altitude_ft, 10) }} ft</dd>
        </dl>
        <p class="mt-1 text-sm">{{ brief.wind.air_words }}</p>
      </section>
      <section class="panel" aria-labelledby="after">
        <h2 id="after" class="text-base font-bold">{{ say('landing.after-the-touchdown') }}</h2>
        <p v-for="line in brief.rollout.rollout_words" :key="line" class="mt-1 text-sm">{{ line }}</p>
        <p v-if="brief.rollout.over_50_ft_ft !== null" class="mt-1 text-sm">
          {{ say('landing.from-50-ft-over-the', { over_50_ft_ft: round(brief.rollout.over_50_ft_ft, 10) }) }}
        </p>
        <p class="mt-1 text-sm font-bold">{{ brief.ground.landing_margin.margin_words }}</p>
        <p v-if="plan" class="mt-1 text-sm" :class="isFullStop ? 'font-bold' : ''">{{ plan.touch_and_go_words }}</p>
      </section>
      <section class="panel text-sm" aria-labelledby="sure">
        <h2 id="sure" class="text-base font-bold">{{ say('landing.how-sure') }}</h2>
        <p v-if="brief.aim.aim_is_good" class="font-bold">{{ brief.aim.hit_words }}</p>
        <p>{{ brief.basis.words }}</p>
        <p class="mt-1">{{ brief.teaching.teaches_words }}</p>
        <p v-if="brief.basis.assumed.length" class="mt-1">
          <b>{{ say('landing.not-from-the-handbook') }}</b>{{
            say('landing.until-somebody-enters-it', { assumed: brief.basis.assumed.join('; ') })
          }}
        </p>
        <p class="mt-1 text-soft">
          {{
            say('landing.slowing-in-the-float-ft', {
              deceleration_fps2: fixed(brief.basis.deceleration_fps2, 1),
              scatter_ft: round(brief.basis.scatter_ft),
              speed_habit_kt: signed(brief.basis.speed_habit_kt),
              speed_habit_sd_kt: round(1.96 * brief.basis.speed_habit_sd_kt),
              name: sortie.technique.name,
            })
          }}
        </p>
      </section>
    </aside>
  </div>
</template>
