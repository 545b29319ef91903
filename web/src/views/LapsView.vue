<script setup lang="ts">
/** Made for one thumb in sunlight: tap where it touched, how it ended; then why, and the next aim point. */
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { briefQuery, lapsQuery, sessionQuery, sortieQuery } from '@/api/queries'
import type { Drift, LapIn, Outcome } from '@/api/types'
import Cautions from '@/components/Cautions.vue'
import Choice from '@/components/Choice.vue'
import FeetBar from '@/components/FeetBar.vue'
import Figure from '@/components/Figure.vue'
import Loading from '@/components/Loading.vue'
import ScoreTable from '@/components/ScoreTable.vue'
import Stepper from '@/components/Stepper.vue'
import { useHoldTimer } from '@/composables/useHoldTimer'
import { useKeys } from '@/composables/useKeys'
import { useLapRecorder } from '@/composables/useLapRecorder'
import { useWidth } from '@/composables/useWidth'
import { useUndo } from '@/stores/undo'
import { clamp, landingLength, pavedStart, windowAround, type Marks } from '@/strip/places'
import Strip, { type Touch } from '@/strip/Strip.vue'
import { LANDING_LABEL, OUTCOME_LABEL, OUTCOMES, percent, round, signed, windWords } from '@/words'

const id = Number(useRoute().params.id)
const undo = useUndo()
const session = useQuery(sessionQuery)
const sortieState = useQuery(sortieQuery(id))
const briefState = useQuery(briefQuery(id))
const lapsState = useQuery(lapsQuery(id))
const sortie = computed(() => sortieState.data.value)
const brief = computed(() => briefState.data.value?.brief)
const laps = computed(() => lapsState.data.value?.laps ?? [])
const mayRecord = computed(() => session.data.value?.person?.role !== 'student')
const recorder = useLapRecorder(id, laps)
const { values, lap } = recorder
const number = computed(() => lap.value?.number ?? (recorder.id.value ? laps.value.length + 1 : laps.value.length + 1))

const frame = ref<HTMLElement | null>(null)
const width = useWidth(frame)
const spot = computed(() => lap.value?.spot_ft ?? sortie.value?.spot_ft ?? 0)
const view = computed(() =>
  sortie.value ? windowAround(sortie.value.runway, spot.value, width.value, width.value < 500 ? 2.6 : 1.9) : { from: 0, to: 1 },
)
/** A lap in hand is drawn against what it was flown by; the next one against its brief. */
const marks = computed<Marks | null>(() => {
  if (!brief.value) return null
  return lap.value ? { ...lap.value, go_around_point_ft: brief.value.go_around_point_ft } : brief.value
})
const touches = computed<Touch[]>(() => {
  const along = values.value?.along_ft
  if (along === null || along === undefined) return []
  return [{ key: 'now', along, lateral: values.value?.lateral_ft ?? null, label: String(number.value), strong: true }]
})

function tap(place: { along: number; lateral: number }) {
  if (!mayRecord.value) return
  recorder.change('touchdown', {
    along_ft: place.along,
    lateral_ft: place.lateral,
    ...(values.value?.outcome === 'go_around' ? { outcome: 'touch_and_go' as const } : {}),
    known_by: { along_ft: 'tapped', lateral_ft: 'tapped' },
  })
}
function nudge(by: { along: number; lateral: number }) {
  const now = values.value
  const runway = sortie.value?.runway
  if (!runway) return
  const half = runway.width_ft / 2
  tap({
    along: clamp((now?.along_ft ?? spot.value) + by.along, pavedStart(runway) - 50, landingLength(runway)),
    lateral: clamp((now?.lateral_ft ?? 0) + by.lateral, -half, half),
  })
}
function end(outcome: Outcome) {
  recorder.change(OUTCOME_LABEL[outcome].toLowerCase(), {
    outcome,
    ...(outcome === 'go_around' ? { along_ft: null, lateral_ft: null } : {}),
  })
}
function set(what: string, part: Partial<LapIn>) {
  recorder.change(what, part)
}
const mark = (name: 'bounced' | 'ballooned') => set(name, { [name]: !values.value?.[name] })
const DRIFT: readonly { value: Drift; label: string }[] = [
  { value: 'left', label: 'Left' },
  { value: 'none', label: 'None' },
  { value: 'right', label: 'Right' },
]
const hold = useHoldTimer({ onEnd: (seconds) => set('float time', { float_s: seconds, known_by: { float_s: 'timed' } }) })
const floatShown = computed(() => {
  if (hold.isHeld.value) return hold.seconds.value.toFixed(1)
  return values.value?.float_s == null ? '–' : values.value.float_s.toFixed(1)
})
function holdKey(event: KeyboardEvent, act: () => void) {
  if (event.key === ' ' || event.key === 'Enter') {
    event.preventDefault()
    act()
  }
}

function next() {
  recorder.id.value = null
}
function go(way: number) {
  const at = laps.value.findIndex((one) => one.id === recorder.id.value)
  const from = at < 0 ? laps.value.length : at
  const to = from + way
  recorder.id.value = laps.value[to]?.id ?? (to >= laps.value.length ? null : recorder.id.value)
}
useKeys({ n: next, g: () => mayRecord.value && end('go_around'), '[': () => go(-1), ']': () => go(1) })
const isGoAround = computed(() => values.value?.outcome === 'go_around')
const more = ref(false)
</script>

<template>
  <Loading
    v-if="!sortie || !brief || !lapsState.data.value"
    :error="sortieState.error.value ?? briefState.error.value ?? lapsState.error.value"
    :retry="() => [sortieState.refetch(), briefState.refetch(), lapsState.refetch()]"
  />
  <div v-else class="space-y-3">
    <div class="flex flex-wrap items-center gap-2">
      <h1 class="mr-2 text-2xl font-bold">
        {{ recorder.id.value ? `Lap ${number}` : `Next: lap ${laps.length + 1}` }}
      </h1>
        <RouterLink class="button" :to="{ name: 'lap-plan', params: { id } }">Lap plan</RouterLink>
      <span class="hidden text-soft sm:inline">
        {{ sortie.student.name }} · {{ LANDING_LABEL[sortie.landing] }} · {{ sortie.runway.ident }} · {{ windWords(sortie) }}
      </span>
      <span class="flex-1" />
      <nav class="flex flex-wrap gap-1.5" aria-label="Laps">
        <button
          v-for="one in laps"
          :key="one.id"
          type="button"
          class="figure min-h-11 min-w-11 rounded-lg border-2 px-2 text-lg"
          :class="one.id === recorder.id.value ? 'border-ink bg-button text-button-text' : 'border-line bg-card'"
          :aria-current="one.id === recorder.id.value"
          :aria-label="`Lap ${one.number}`"
          @click="recorder.id.value = one.id"
        >
          {{ one.number }}
        </button>
        <button
          v-if="mayRecord"
          type="button"
          class="button !px-3"
          :class="recorder.id.value ? 'button-main' : ''"
          :disabled="!recorder.id.value"
          @click="next"
        >
          Next lap
        </button>
      </nav>
    </div>

    <div class="grid grid-cols-2 gap-2 md:grid-cols-[1.6fr_1fr_1fr_1.2fr]">
      <Figure
        :label="laps.length ? 'Next aim point' : 'Aim point'"
        tone="aim"
        :value="round(brief.aim_point_ft, 10)"
        unit="ft"
        :note="brief.aim_before_spot_words"
      />
      <Figure label="Fly" :value="round(brief.approach_speed_kias)" unit="KIAS" />
      <Figure label="Chance to hit" :value="percent(brief.hit_chance)" />
      <Figure
        label="Go around by"
        tone="fail"
        :value="round(brief.go_around_point_ft, 10)"
        :unit="brief.go_around_point_ft === null ? '' : 'ft'"
        :note="brief.go_around_point_ft === null ? 'unknown: see the cautions' : ''"
      />
    </div>

    <Cautions :cautions="brief.cautions.slice(0, -1)" />

    <section class="panel !p-2" aria-label="Strip">
      <p class="px-1 font-bold">
        {{
          touches.length || isGoAround
            ? isGoAround
              ? 'Went around. Tap the strip if the wheels touched after all.'
              : `Touched ${round(values?.along_ft)} ft in, ${signed((values?.along_ft ?? 0) - spot)} ft from the spot`
            : 'Tap the strip where the wheels touched'
        }}
        <span v-if="touches.length && values?.lateral_ft" class="font-normal">
          · {{ Math.abs(values.lateral_ft) }} ft {{ values.lateral_ft > 0 ? 'right' : 'left' }} of the centreline
        </span>
        <span v-if="recorder.saving.value" class="font-normal text-soft"> · saving</span>
        <span v-else-if="recorder.id.value && !recorder.problem.value" class="font-normal text-pass-ink"> · ✓ saved</span>
      </p>
      <div ref="frame" class="w-full overflow-hidden">
        <Strip
          v-if="width > 0"
          :runway="sortie.runway"
          :brief="marks"
          :touches="touches"
          :from="view.from"
          :to="view.to"
          :width="width"
          :runway-height="150"
          :can-tap="mayRecord"
          @tap="tap"
          @nudge="nudge"
        />
      </div>
      <div v-if="recorder.problem.value" role="alert" class="mt-1 flex flex-wrap items-center gap-3 bg-warn-wash p-2 font-bold">
        <span class="flex-1">Not saved yet: {{ recorder.problem.value }}</span>
        <button v-if="recorder.unsaved.value" type="button" class="button" @click="recorder.retry()">Try again</button>
        <button type="button" class="button" @click="undo.undo()">Undo</button>
      </div>
    </section>

    <section v-if="mayRecord" class="grid grid-cols-4 gap-1.5 sm:gap-2" aria-label="How it ended">
      <button
        v-for="outcome in OUTCOMES"
        :key="outcome"
        type="button"
        class="button !min-h-16 !px-1 text-sm leading-tight sm:text-lg"
        :class="values?.outcome === outcome ? 'button-main' : ''"
        :aria-pressed="values?.outcome === outcome"
        @click="end(outcome)"
      >
        <span v-if="values?.outcome === outcome" aria-hidden="true">✓</span>{{ OUTCOME_LABEL[outcome] }}
      </button>
    </section>

    <div class="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.35fr)]">
      <section v-if="mayRecord && !isGoAround" class="panel space-y-3" aria-label="More of this lap, if seen">
        <p class="text-sm text-soft">If you saw it. What nobody saw stays unknown.</p>
        <Choice
          :model-value="values?.drift ?? null"
          label="Drift as it touched, to the"
          tall
          :options="DRIFT"
          @update:model-value="set('drift', { drift: $event, known_by: { drift: 'seen' } })"
        />
        <div class="flex gap-1.5">
          <button
            v-for="name in ['bounced', 'ballooned'] as const"
            :key="name"
            type="button"
            class="button flex-1 !min-h-14"
            :class="values?.[name] ? 'button-main' : ''"
            :aria-pressed="!!values?.[name]"
            @click="mark(name)"
          >
            {{ values?.[name] ? '✓ ' : '' }}{{ name === 'bounced' ? 'Bounced' : 'Ballooned' }}
          </button>
          <button
            type="button"
            class="button flex-1 !min-h-14"
            :class="values?.bounced === false && values?.ballooned === false ? 'button-main' : ''"
            :aria-pressed="values?.bounced === false && values?.ballooned === false"
            @click="set('clean arrival', { bounced: false, ballooned: false })"
          >
            Neither
          </button>
        </div>
        <div class="grid grid-cols-2 gap-3">
          <Stepper
            :model-value="values?.threshold_speed_kias ?? null"
            label="Speed over threshold"
            unit="kt"
            :min="21"
            :max="250"
            :start="Math.round(brief.recommended_speed_kias)"
            empty-word="–"
            :error="recorder.fields.value.threshold_speed_kias"
            @update:model-value="set('threshold speed', { threshold_speed_kias: $event, known_by: { threshold_speed_kias: 'read' } })"
          />
          <div>
            <span class="heading block">Float: hold while it floats</span>
            <button
              type="button"
              class="button w-full select-none !min-h-14 touch-none text-xl"
              :class="hold.isHeld.value ? 'button-main' : ''"
              :aria-label="`${floatShown} s: hold while the aeroplane floats`"
              @pointerdown="hold.start()"
              @pointerup="hold.stop()"
              @pointerleave="hold.stop()"
              @pointercancel="hold.stop()"
              @keydown="holdKey($event, hold.start)"
              @keyup="holdKey($event, hold.stop)"
              @contextmenu.prevent
            >
              <span class="figure">{{ floatShown }}</span>
              s
            </button>
          </div>
        </div>
        <button type="button" class="min-h-11 font-bold underline" :aria-expanded="more" @click="more = !more">
          {{ more ? 'Less' : 'More: aim flown, wind on this lap, remove' }}
        </button>
        <div v-if="more" class="grid grid-cols-2 gap-3">
          <Stepper
            :model-value="values?.aim_point_ft ?? null"
            label="Aimed at"
            unit="ft"
            :min="-500"
            :max="landingLength(sortie.runway)"
            :step="10"
            :start="Math.round(brief.aim_point_ft / 10) * 10"
            empty-word="as briefed"
            :error="recorder.fields.value.aim_point_ft"
            @update:model-value="set('aim flown', { aim_point_ft: $event })"
          />
          <Stepper
            :model-value="values?.float_s ?? null"
            label="Float"
            unit="s"
            :min="0"
            :max="60"
            :step="0.5"
            :digits="1"
            empty-word="–"
            :error="recorder.fields.value.float_s"
            @update:model-value="set('float time', { float_s: $event, known_by: { float_s: 'timed' } })"
          />
          <Stepper
            :model-value="values?.wind_dir_deg_mag ?? null"
            label="Wind then, from"
            unit="°"
            :min="0"
            :max="360"
            :step="10"
            :start="sortie.wind_dir_deg_mag ?? 360"
            empty-word="as briefed"
            :error="recorder.fields.value.wind_dir_deg_mag"
            @update:model-value="set('wind', { wind_dir_deg_mag: $event, wind_kt: values?.wind_kt ?? sortie.wind_kt })"
          />
          <Stepper
            :model-value="values?.wind_kt ?? null"
            label="Wind then"
            unit="kt"
            :min="0"
            :max="100"
            :start="sortie.wind_kt"
            empty-word="as briefed"
            :error="recorder.fields.value.wind_kt"
            @update:model-value="set('wind', { wind_kt: $event, wind_dir_deg_mag: $event === null ? null : (values?.wind_dir_deg_mag ?? sortie.wind_dir_deg_mag) })"
          />
          <button v-if="lap" type="button" class="button" @click="recorder.remove()">Remove this lap</button>
        </div>
      </section>

      <section v-if="lap" class="panel space-y-3" aria-label="Result" aria-live="polite">
        <div class="flex items-baseline gap-4">
          <p v-if="lap.score.points !== null" class="figure text-4xl leading-none">
            {{ round(lap.score.points) }}<span class="unit">of {{ lap.score.out_of }} judged</span>
          </p>
          <p class="text-lg font-bold" :class="lap.score.hit === null ? '' : lap.score.hit ? 'text-pass-ink' : 'text-fail-ink'">
            {{ lap.score.hit === null ? '' : lap.score.hit ? '✓ ' : '✕ ' }}{{ lap.score.words }}
          </p>
        </div>
        <p class="border-l-4 border-aim pl-3 text-xl font-bold leading-snug">{{ lap.diagnosis.one_change }}</p>
        <FeetBar :diagnosis="lap.diagnosis" />
        <ScoreTable :score="lap.score" />
      </section>
      <section v-else class="panel" aria-label="Before the lap">
        <p class="text-lg font-bold">{{ brief.roundout_cue.words }}</p>
        <p class="mt-1 text-sm text-soft">{{ brief.basis.words }}</p>
      </section>
    </div>
  </div>
</template>
