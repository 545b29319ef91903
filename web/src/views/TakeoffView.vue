<script setup lang="ts">
/** The takeoff as briefed at the hold: distances, when to give up, and what to do if the engine stops. */
import { say } from '@/said'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '@/api/calls'
import { forgetSortie, planQuery, sessionQuery, sortieQuery } from '@/api/queries'
import type { Sortie, Takeoff } from '@/api/types'
import Cautions from '@/components/Cautions.vue'
import Choice from '@/components/Choice.vue'
import Figure from '@/components/Figure.vue'
import Flows from '@/components/Flows.vue'
import Loading from '@/components/Loading.vue'
import Overrules from '@/components/Overrules.vue'
import { useWidth } from '@/composables/useWidth'
import { useWrite } from '@/composables/useWrite'
import TakeoffStrip from '@/strip/TakeoffStrip.vue'
import { fixed, direction, lacking, round, TAKEOFF_LABEL, toSpare, windWords } from '@/words'

const id = Number(useRoute().params.id)
const client = useQueryClient()
const session = useQuery(sessionQuery)
const sortieState = useQuery(sortieQuery(id))
const planState = useQuery(planQuery(id))
const sortie = computed(() => sortieState.data.value)
const takeoff = computed(() => planState.data.value?.plan.takeoff)
const flows = computed(() => planState.data.value?.plan.flows ?? [])
const mayChange = computed(() => session.data.value?.person?.role !== 'student')
const frame = ref<HTMLElement | null>(null)
const width = useWidth(frame)
const { write, problem } = useWrite({ refresh: () => forgetSortie(client, id) })
const KINDS = (Object.keys(TAKEOFF_LABEL) as Takeoff['kind'][]).map((value) => ({ value, label: TAKEOFF_LABEL[value] }))
const SET_LABEL: Record<Takeoff['correction_set'], string> = {
  common: say('takeoff.common-practice'),
  uk_caa: say('takeoff.uk-caa-leaflet-from-memory'),
}

async function choose(kind: Takeoff['kind'] | null) {
  const before = sortie.value?.takeoff
  if (!kind || !before || kind === before) return
  const key = sortieQuery(id).queryKey
  await write({
    call: () => api.changeSortie(id, { takeoff: kind }, { takeoff: before }),
    draw: () => {
      const was = client.getQueryData<Sortie>(key)
      client.setQueryData<Sortie>(key, (one) => one && { ...one, takeoff: kind })
      return () => client.setQueryData(key, was)
    },
    undo: {
      what: say('takeoff.kind-of-takeoff'),
      back: () => api.changeSortie(id, { takeoff: before }, { takeoff: kind }),
    },
  })
}
/** Whether the takeoff is given up by half the runway, as is usual. */
const isHalf = computed(
  () => !!takeoff.value && Math.abs(takeoff.value.abort_point_ft - takeoff.value.runway_available_ft / 2) < 1,
)
/** Margin in words for a figure: what is left, or what is missing. */
function spare(feet: number | null): string {
  if (feet === null) return say('common.unknown')
  if (feet < 0) return say('takeoff.too-short', { feet: lacking(feet) })
  // in a wind that nobody has given a distance is that of a calm, and no margin is promised
  return sortie.value?.weather_at === null
    ? say('takeoff.margin-unknown-no-wind-given')
    : say('takeoff.to-spare', { feet: toSpare(feet) })
}
</script>

<template>
  <Loading
    v-if="!sortie || !takeoff"
    :error="sortieState.error.value ?? planState.error.value"
    :retry="() => [sortieState.refetch(), planState.refetch()]"
  />
  <div v-else class="grid gap-3 xl:grid-cols-[minmax(0,1fr)_340px]">
    <div class="min-w-0 space-y-3">
      <div class="flex flex-wrap items-baseline gap-x-3">
        <h1 class="text-2xl font-bold">
          {{ say('takeoff.takeoff-runway', { kind: TAKEOFF_LABEL[takeoff.kind], ident: sortie.runway.ident }) }}
        </h1>
        <p class="text-soft">
          {{ sortie.student.name }} · {{ sortie.aircraft.name }} · {{ round(sortie.weight_lb) }} lb ·
          {{ windWords(sortie) }}
        </p>
      </div>
      <Choice
        v-if="mayChange"
        :model-value="takeoff.kind"
        :label="say('common.kind')"
        :options="KINDS"
        @update:model-value="choose"
      />
      <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
      <div class="grid grid-cols-2 gap-2 md:grid-cols-4">
        <Figure
          :label="say('takeoff.ground-roll')"
          :value="round(takeoff.ground_roll_ft, 10)"
          unit="ft"
          :note="spare(takeoff.roll_margin_ft)"
        />
        <Figure
          :label="say('takeoff.over-50-ft')"
          :value="round(takeoff.over_50_ft_ft, 10)"
          unit="ft"
          :tone="takeoff.over_50_margin_ft !== null && takeoff.over_50_margin_ft < 0 ? 'fail' : undefined"
          :note="spare(takeoff.over_50_margin_ft)"
        />
        <Figure
          :label="say('takeoff.lift-off')"
          tone="aim"
          :value="round(takeoff.lift_off_speed_kias)"
          unit="KIAS"
          :note="say('takeoff.vx-then-vy', { vx_kias: round(takeoff.vx_kias), vy_kias: round(takeoff.vy_kias) })"
        />
        <Figure
          :label="say('takeoff.stop-unless')"
          tone="fail"
          :value="round(takeoff.abort_speed_kias)"
          unit="KIAS"
          :note="
            say('takeoff.by-ft', {
              abort_point_ft: round(takeoff.abort_point_ft, 10),
              is_half: isHalf ? say('takeoff.half-the-runway') : '',
            })
          "
        />
      </div>
      <Cautions :cautions="takeoff.cautions" />
      <section class="panel !p-2" :aria-label="say('takeoff.takeoff-on-the-strip')">
        <div ref="frame" class="w-full overflow-hidden">
          <TakeoffStrip v-if="width > 0" :runway="sortie.runway" :takeoff="takeoff" :width="width" />
        </div>
      </section>
      <section class="panel" aria-labelledby="steps">
        <h2 id="steps" class="text-lg font-bold">{{ say('takeoff.how') }}</h2>
        <ol class="mt-1 list-decimal space-y-1 pl-6">
          <li v-for="step in takeoff.steps" :key="step">{{ step }}</li>
          <li>{{ say('takeoff.first-turn-at-ft-beyond', { first_turn_ft: round(takeoff.first_turn_ft, 10) }) }}</li>
        </ol>
      </section>
      <Flows :flows="flows" :phases="['before takeoff', 'takeoff', 'climb']" />
      <Overrules
        v-if="mayChange"
        :sortie="sortie"
        part="takeoff"
        :worked="{
          takeoff_over_50_ft: takeoff.over_50_ft_ft,
          rotate_kias: takeoff.lift_off_speed_kias,
          vx_kias: takeoff.vx_kias,
          vy_kias: takeoff.vy_kias,
          abort_point_ft: takeoff.abort_point_ft,
          first_turn_height_ft: takeoff.first_turn_ft - sortie.runway.elevation_ft,
        }"
      />
    </div>
    <aside class="grid min-w-0 content-start gap-3 md:grid-cols-2 xl:grid-cols-1">
      <section class="panel border-l-8 !border-l-spot" aria-labelledby="engine">
        <h2 id="engine" class="text-lg font-bold">{{ say('common.if-the-engine-stops') }}</h2>
        <dl class="mt-1 space-y-2">
          <div v-for="phase in takeoff.engine_failure" :key="phase.phase">
            <dt class="heading">{{ phase.phase }}</dt>
            <dd>{{ phase.words }}</dd>
          </div>
        </dl>
        <p class="mt-2 text-sm text-soft">
          {{
            say('takeoff.sector-to-magnetic-drawn-on', {
              engine_out_sector_deg_mag: direction(takeoff.engine_out_sector_deg_mag[0]),
              engine_out_sector_deg_mag_2: direction(takeoff.engine_out_sector_deg_mag[1]),
            })
          }}
        </p>
      </section>
      <section v-if="takeoff.lift_off.length" class="panel" aria-labelledby="off">
        <h2 id="off" class="font-bold">{{ say('takeoff.two-schools-of-lift-off') }}</h2>
        <ul class="mt-1 space-y-1">
          <li v-for="school in takeoff.lift_off" :key="school.school">
            {{ school.words }} <span class="figure whitespace-nowrap">{{ round(school.ground_roll_ft, 10) }} ft</span>
          </li>
        </ul>
        <p class="mt-1 text-sm text-soft">
          {{ say('takeoff.technique-decides-which-is-briefed', { name: sortie.technique.name }) }}
        </p>
      </section>
      <section
        v-for="set in takeoff.by_set"
        :key="set.correction_set"
        class="panel"
        :aria-label="say('takeoff.distances', { correction_set: SET_LABEL[set.correction_set] })"
      >
        <h2 class="font-bold">
          {{ SET_LABEL[set.correction_set]
          }}<span v-if="set.correction_set === takeoff.correction_set"> {{ ' ' + say('takeoff.used') }}</span>
        </h2>
        <ol class="mt-1 space-y-0.5 text-sm">
          <li v-for="(step, i) in set.over_50_ft_steps" :key="i" class="flex justify-between gap-2">
            <span
              >{{ step.reason }} <span v-if="i" class="text-soft">× {{ fixed(step.factor, 2) }}</span></span
            >
            <span class="figure whitespace-nowrap">{{ round(step.distance_ft, 10) }} ft</span>
          </li>
        </ol>
      </section>
    </aside>
  </div>
</template>
