<script setup lang="ts">
/** The pattern for this wind: headings, gates, the turn onto final, and room for the one ahead. */
import { say } from '@/said'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '@/api/calls'
import { forgetSortie, planQuery, sessionQuery, sortieQuery } from '@/api/queries'
import type { PatternChoice, Plan } from '@/api/types'
import Cautions from '@/components/Cautions.vue'
import Choice from '@/components/Choice.vue'
import Figure from '@/components/Figure.vue'
import Flows from '@/components/Flows.vue'
import Loading from '@/components/Loading.vue'
import Overrules from '@/components/Overrules.vue'
import Stepper from '@/components/Stepper.vue'
import { useLatest } from '@/composables/useLatest'
import { useWidth } from '@/composables/useWidth'
import { useWrite } from '@/composables/useWrite'
import PatternMap from '@/strip/PatternMap.vue'
import { fixed, direction, glideMargin, LEG_LABEL, round, SEVERITY_SIGN, signed } from '@/words'

const id = Number(useRoute().params.id)
const client = useQueryClient()
const session = useQuery(sessionQuery)
const sortieState = useQuery(sortieQuery(id))
const planState = useQuery(planQuery(id))
const sortie = computed(() => sortieState.data.value)
const mayChange = computed(() => session.data.value?.person?.role !== 'student')
const asked = shallowRef<Plan | null>(null)
const plan = computed(() => asked.value ?? planState.data.value?.plan)
const pattern = computed(() => plan.value?.pattern ?? null)
const USUAL: Required<PatternChoice> = {
  side: null,
  spacing_nm: null,
  bank_deg: 25,
  altitude_ft: null,
  base_extension_s: 0,
  wind_dir_deg_true: null,
  wind_kt: null,
  ahead_final_nm: null,
  ahead_kt: null,
}
const choice = reactive<Required<PatternChoice>>({ ...USUAL })
const isChanged = ref(false)
watch(
  sortie,
  (now) => {
    if (now && !isChanged.value) Object.assign(choice, USUAL, now.pattern ?? {})
  },
  { immediate: true },
)
const latest = useLatest(
  (pattern: PatternChoice) => api.plan(id, { pattern }),
  (answer) => (asked.value = answer.plan),
)
/** The turn that ends a leg; none ends final. */
const turnAfter = (leg: number) => pattern.value?.turns[leg]
function change(part: Partial<PatternChoice>) {
  Object.assign(choice, part)
  isChanged.value = true
  void latest.ask({ ...choice })
}
function back() {
  isChanged.value = false
  asked.value = null
  latest.clear()
  Object.assign(choice, USUAL, sortie.value?.pattern ?? {})
}
const { write, problem: saveProblem } = useWrite({ refresh: () => forgetSortie(client, id) })
async function keep() {
  const before = sortie.value?.pattern ?? null
  const kept = await write({
    call: () => api.changeSortie(id, { pattern: { ...choice } }, { pattern: before }),
    undo: { what: 'pattern', back: () => api.changeSortie(id, { pattern: before }) },
  })
  if (!kept) return
  isChanged.value = false
  asked.value = null
}
const side = computed(() => pattern.value?.side ?? choice.side ?? null)
const SIDES = [
  { value: 'left', label: say('pattern.left') },
  { value: 'right', label: say('pattern.right') },
] as const
const northUp = ref(false)
const frame = ref<HTMLElement | null>(null)
const width = useWidth(frame)
const notes = computed(() => [...(plan.value?.notes ?? []), ...(pattern.value?.cautions ?? [])])
const error = (field: string) => latest.fields.value[`pattern.${field}`] ?? latest.fields.value[field] ?? ''
</script>

<template>
  <Loading
    v-if="!sortie || !plan"
    :error="sortieState.error.value ?? planState.error.value"
    :retry="() => [sortieState.refetch(), planState.refetch()]"
  />
  <div v-else class="grid gap-3 xl:grid-cols-[minmax(0,1fr)_400px]">
    <div class="min-w-0 space-y-3">
      <div class="flex flex-wrap items-center gap-x-3">
        <h1 class="text-2xl font-bold">
          {{
            say('pattern.pattern-runway', {
              side: side === 'right' ? say('pattern.right') : say('pattern.left'),
              ident: sortie.runway.ident,
            })
          }}
        </h1>
        <p v-if="pattern" class="text-soft">
          {{ say('pattern.ft-wind-up-there', { altitude_ft: round(pattern.altitude_ft, 10) }) }}
          <template v-if="pattern.wind_is_known">
            {{
              pattern.wind_dir_deg_true === null
                ? ''
                : say('pattern.true', { wind_dir_deg_true: direction(pattern.wind_dir_deg_true) })
            }}
            {{ round(pattern.wind_kt) }} kt, {{ pattern.wind_source }}
          </template>
          <b v-else>{{ pattern.wind_source }}</b>
        </p>
        <span class="flex-1" />
        <button type="button" class="button" @click="northUp = !northUp">
          {{ northUp ? say('pattern.runway-up') : say('pattern.north-up') }}
        </button>
      </div>
      <Cautions :cautions="notes" />
      <section class="panel !p-2" :aria-label="say('pattern.pattern-from-above')">
        <div ref="frame" class="w-full overflow-hidden">
          <PatternMap
            v-if="width > 0 && pattern"
            :runway="sortie.runway"
            :pattern="pattern"
            :reach="plan.power_off?.reach_ft ?? null"
            :width="width"
            :height="Math.min(600, Math.max(400, width * 0.75))"
            :north-up="northUp"
            :marks="plan.marks"
          />
        </div>
        <p class="px-1 text-sm text-soft">
          {{ say('pattern.circles-altitudes-to-have-feet') }}
        </p>
      </section>
      <section v-if="pattern" class="panel overflow-x-auto" :aria-label="say('pattern.legs')" tabindex="0">
        <table class="w-full min-w-[38rem] text-left">
          <thead>
            <tr class="border-b border-line text-sm text-soft">
              <th class="py-1">{{ say('pattern.leg') }}</th>
              <th class="text-right">{{ say('pattern.heading') }}</th>
              <th class="text-right">{{ say('pattern.crab') }}</th>
              <th class="text-right">{{ say('pattern.ground') }}</th>
              <th class="text-right">{{ say('common.time') }}</th>
              <th class="text-right">{{ say('common.fly') }}</th>
              <th class="pl-3 text-right">{{ say('pattern.over-stall-turning') }}</th>
              <th class="pl-3">{{ say('common.flap') }}</th>
              <th class="pl-3">{{ say('pattern.power-to-start-with') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(leg, i) in pattern.legs" :key="leg.leg" class="border-b border-line">
              <td class="py-1.5 font-bold">{{ LEG_LABEL[leg.leg] }}</td>
              <td class="figure text-right text-lg">{{ direction(leg.heading_deg_mag) }}°</td>
              <td class="figure pl-3 text-right">{{ signed(leg.crab_deg) }}°</td>
              <td class="figure whitespace-nowrap pl-3 text-right">{{ round(leg.groundspeed_kt) }} kt</td>
              <td class="figure whitespace-nowrap pl-3 text-right">{{ round(leg.seconds) }} s</td>
              <td class="figure whitespace-nowrap pl-3 text-right">{{ round(leg.kias) }} kt</td>
              <td class="figure whitespace-nowrap pl-3 text-right">
                {{ round(leg.stall_margin_kt)
                }}<template v-if="turnAfter(i)"> · {{ round(turnAfter(i)?.stall_margin_kt) }}</template> kt
              </td>
              <td class="pl-3">{{ leg.flap }}</td>
              <td class="pl-3">{{ leg.power }}</td>
            </tr>
          </tbody>
        </table>
      </section>
      <Flows :flows="plan.flows" :phases="['downwind', 'base', 'final', 'go-around', 'after landing']" />
      <Overrules
        v-if="mayChange && !isChanged"
        :sortie="sortie"
        part="pattern"
        :worked="{
          downwind_kias: pattern?.legs[2]?.kias,
          base_kias: pattern?.legs[3]?.kias,
          best_glide_kias: plan.power_off?.glide_kias,
          glide_turn_ft: plan.power_off?.turn_after_abeam_ft,
        }"
      />
    </div>
    <aside class="min-w-0 space-y-3">
      <template v-if="pattern">
        <section class="panel border-l-8 !border-l-aim" :aria-label="say('pattern.turn-onto-final')">
          <p class="heading">{{ say('pattern.base-to-final') }}</p>
          <p class="text-lg font-bold leading-snug">{{ pattern.final_turn.words }}</p>
          <p class="mt-1">{{ pattern.wind_words }}</p>
        </section>
        <div class="grid grid-cols-2 gap-2">
          <Figure :label="say('common.final')" :value="fixed(pattern.final_length_ft / 6076.115, 1)" unit="nm" />
          <Figure :label="say('pattern.descent-from-abeam')" :value="round(pattern.descent_fpm, 10)" unit="fpm" />
        </div>
        <section class="panel" aria-labelledby="gates">
          <h2 id="gates" class="font-bold">{{ say('pattern.gates') }}</h2>
          <dl class="mt-1 grid grid-cols-[1fr_auto] gap-x-3">
            <template v-for="gate in pattern.gates" :key="gate.name">
              <dt>{{ gate.name }}</dt>
              <dd class="figure text-right">{{ round(gate.altitude_ft, 10) }} ft</dd>
            </template>
          </dl>
        </section>
        <section v-if="plan.power_off" class="panel" aria-labelledby="glide">
          <h2 id="glide" class="font-bold">{{ say('pattern.power-off-180-from-abeam') }}</h2>
          <p class="mt-1 font-bold">{{ plan.power_off.words }}</p>
          <p class="text-sm">
            {{
              say('pattern.at-kias-the-path-can', {
                glide_kias: round(plan.power_off.glide_kias),
                reach_ft: round(plan.power_off.reach_ft[0], 10),
                reach_ft_2: round(plan.power_off.reach_ft[1], 10),
                margin_ft: glideMargin(plan.power_off.margin_ft),
                height_at_45_ft: round(plan.power_off.height_at_45_ft, 10),
                height_on_base_ft: round(plan.power_off.height_on_base_ft, 10),
              })
            }}
          </p>
          <Cautions class="mt-2" :cautions="plan.power_off.cautions" />
        </section>
      </template>
      <section v-if="pattern?.number_two" class="panel border-l-8 !border-l-warn" aria-labelledby="two">
        <h2 id="two" class="heading">{{ say('pattern.number-two') }}</h2>
        <p class="text-lg font-bold leading-snug">{{ pattern.number_two.turn_words }}</p>
        <p v-if="pattern.number_two.caution && pattern.number_two.is_offered" class="mt-1 font-bold text-fail-ink">
          {{ SEVERITY_SIGN[pattern.number_two.caution.severity] }} {{ pattern.number_two.caution.words }}
        </p>
        <p v-if="pattern.number_two.is_offered" class="mt-1">{{ pattern.number_two.go_down_words }}</p>
        <p v-if="pattern.number_two.is_offered" class="mt-1">
          {{ say('pattern.new-final-nm', { final_nm: fixed(pattern.number_two.final_nm, 1) })
          }}<template v-if="pattern.number_two.gap_s !== null">{{
            say('pattern.gap-at-the-threshold-about', { gap_s: round(pattern.number_two.gap_s) })
          }}</template
          >{{ say('pattern.the-aim-point-stays-same') }}
        </p>
      </section>
      <section class="panel space-y-3" :aria-label="say('common.what-if')">
        <div class="flex min-h-11 flex-wrap items-center gap-2">
          <h2 class="flex-1 font-bold">{{ say('pattern.fly-it-otherwise') }}</h2>
          <template v-if="isChanged">
            <button v-if="mayChange" type="button" class="button button-main" @click="keep">
              {{ say('common.keep') }}
            </button>
            <button type="button" class="button" @click="back">{{ say('common.as-it-was') }}</button>
          </template>
        </div>
        <p v-if="latest.problem.value || saveProblem" role="alert" class="font-bold text-fail-ink">
          {{ latest.problem.value || saveProblem }}
        </p>
        <Choice
          :model-value="side"
          :label="say('pattern.side')"
          :options="SIDES"
          @update:model-value="change({ side: $event })"
        />
        <Stepper
          :model-value="choice.spacing_nm ?? Math.round(((pattern?.spacing_ft ?? 4557) / 6076.12) * 100) / 100"
          :label="say('pattern.spacing')"
          unit="nm"
          :min="0.2"
          :max="3"
          :step="0.05"
          :digits="2"
          slide
          :error="error('spacing_nm')"
          @update:model-value="change({ spacing_nm: $event })"
        />
        <p v-if="pattern" class="text-sm">{{ pattern.spacing_words }}</p>
        <Stepper
          :model-value="choice.bank_deg ?? 25"
          :label="say('pattern.bank-in-the-turns')"
          unit="°"
          :min="5"
          :max="45"
          :error="error('bank_deg')"
          @update:model-value="change({ bank_deg: $event ?? 25 })"
        />
        <Stepper
          :model-value="choice.ahead_final_nm ?? null"
          :label="say('pattern.number-two-how-far-out')"
          :hint="say('pattern.leave-it-empty-where-nobody')"
          unit="nm"
          :min="0"
          :max="15"
          :step="0.5"
          :digits="1"
          :start="1.5"
          :empty-word="say('common.nobody')"
          slide
          :error="error('ahead_final_nm')"
          @update:model-value="change({ ahead_final_nm: $event })"
        />
        <Stepper
          :model-value="choice.base_extension_s ?? 0"
          :label="say('pattern.fly-downwind-on-for-another')"
          unit="s"
          :min="0"
          :max="600"
          :step="5"
          slide
          :error="error('base_extension_s')"
          @update:model-value="change({ base_extension_s: $event ?? 0 })"
        />
        <div class="grid grid-cols-2 gap-3">
          <Stepper
            :model-value="choice.wind_dir_deg_true ?? null"
            :label="say('pattern.wind-at-pattern-height-true')"
            :hint="say('pattern.left-empty-it-is-estimated')"
            unit="°"
            :min="0"
            :max="360"
            :step="10"
            :start="Math.round(pattern?.wind_dir_deg_true ?? 360)"
            :empty-word="say('pattern.auto')"
            slide
            :error="error('wind_dir_deg_true')"
            @update:model-value="
              change({
                wind_dir_deg_true: $event,
                wind_kt: $event === null ? null : (choice.wind_kt ?? Math.round(pattern?.wind_kt ?? 10)),
              })
            "
          />
          <Stepper
            :model-value="choice.wind_kt ?? null"
            :label="say('pattern.its-speed')"
            unit="kt"
            :min="0"
            :max="100"
            :start="Math.round(pattern?.wind_kt ?? 10)"
            :empty-word="say('pattern.auto')"
            slide
            :error="error('wind_kt')"
            @update:model-value="
              change({
                wind_kt: $event,
                wind_dir_deg_true:
                  $event === null ? null : (choice.wind_dir_deg_true ?? Math.round(pattern?.wind_dir_deg_true ?? 360)),
              })
            "
          />
        </div>
      </section>
      <details class="panel">
        <summary class="min-h-11 cursor-pointer content-center font-bold">{{ say('pattern.radio-calls') }}</summary>
        <dl>
          <template v-for="call in plan.radio" :key="call.when">
            <dt class="heading mt-2">{{ call.when }}</dt>
            <dd>{{ call.words }}</dd>
          </template>
        </dl>
        <p class="mt-2 text-sm text-soft">{{ say('pattern.for-a-field-without-a') }}</p>
      </details>
      <details class="panel">
        <summary class="min-h-11 cursor-pointer content-center font-bold">
          {{ say('pattern.wake-of-larger-aircraft') }}
        </summary>
        <p v-for="one in plan.wake" :key="one.behind">
          <b>{{ say('pattern.behind-wait-min', { behind: one.behind, wait_s: round(one.wait_s / 60) }) }}</b>
          {{ say('pattern.common-teaching-the-local-rule') }}
        </p>
        <p class="mt-1 font-bold">▲ {{ plan.wake_words }}</p>
      </details>
    </aside>
  </div>
</template>
