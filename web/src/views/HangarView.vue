<script setup lang="ts">
/** The school's aircraft: speeds, tables, cues and flows, as the handbook has them. */
import { say } from '@/said'
import { saveFile } from '@/files'
import { useQuery } from '@tanstack/vue-query'
import { computed, watch } from 'vue'
import { api } from '@/api/calls'
import { catalogueQuery, sessionQuery } from '@/api/queries'
import type { AircraftRow, AircraftSpec } from '@/api/types'
import EditorNotes from '@/components/EditorNotes.vue'
import Loading from '@/components/Loading.vue'
import AircraftFitted from '@/hangar/AircraftFitted.vue'
import AircraftFlaps from '@/hangar/AircraftFlaps.vue'
import AircraftFlows from '@/hangar/AircraftFlows.vue'
import AircraftLegs from '@/hangar/AircraftLegs.vue'
import AircraftLoading from '@/hangar/AircraftLoading.vue'
import AircraftWeights from '@/hangar/AircraftWeights.vue'
import { useEditor } from '@/composables/useEditor'
import { round } from '@/words'

const catalogue = useQuery(catalogueQuery)
const session = useQuery(sessionQuery)
const mayChange = computed(() => session.data.value?.person?.role !== 'student')
const editor = useEditor<AircraftSpec>('aircraft')
const { draft, id, fields, problem, saved, theirs, differs } = editor
/** Nothing is filled in that nobody has read in the handbook: an empty figure is asked for when it is kept. */
const BLANK = {
  name: '',
  max_weight_lb: null,
  empty_weight_lb: null,
  eye_height_ft: null,
  blind_distance_ft: null,
  flaps: [
    { name: 'up', stall_kcas: null, airspeed_table: { ias_kt: [], cas_kt: [] } },
    { name: 'full', stall_kcas: null, airspeed_table: { ias_kt: [], cas_kt: [] } },
  ],
} as unknown as AircraftSpec
function show(row: AircraftRow) {
  editor.open(row.spec, row.id, row.revision)
}
watch(
  catalogue.data,
  (now) => {
    if (now?.aircraft[0] && !draft.value) show(now.aircraft[0])
  },
  { immediate: true },
)
/** Write over what somebody else has kept meanwhile. */
function keepOver() {
  editor.overTheirs()
  return keep()
}
async function keep() {
  const spec = draft.value
  if (!spec) return
  const before = catalogue.data.value?.aircraft.find((row) => row.id === id.value)
  await editor.keep(
    spec.name || say('hangar.the-aircraft'),
    (row, seen) => api.keepAircraft(spec, row, seen),
    before ? () => api.keepAircraft(before.spec, before.id) : null,
  )
}
function copy() {
  const spec = draft.value
  if (spec) editor.open({ ...spec, name: `${spec.name} copy` }, null)
}
function download() {
  const spec = draft.value
  if (!spec) return
  saveFile(new Blob([JSON.stringify(spec, null, 2)], { type: 'application/json' }), `${spec.name || 'aircraft'}.json`)
}
async function upload(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  if (file.size > 200_000) {
    problem.value = say('hangar.the-file-is-larger-than')
    return
  }
  try {
    const spec = JSON.parse(await file.text()) as AircraftSpec
    if (!Array.isArray(spec.flaps)) throw new Error(say('hangar.no-flaps'))
    editor.open(spec, null)
  } catch {
    problem.value = say('hangar.is-not-an-aircraft-written', { name: file.name })
  }
}
</script>

<template>
  <Loading v-if="!catalogue.data.value" :error="catalogue.error.value" :retry="catalogue.refetch" />
  <div v-else class="grid gap-4 lg:grid-cols-[230px_minmax(0,1fr)]">
    <section aria-labelledby="hangar">
      <h1 id="hangar" class="text-2xl font-bold">{{ say('common.hangar') }}</h1>
      <ul class="mt-2 space-y-1">
        <li v-for="row in catalogue.data.value.aircraft" :key="row.id">
          <button
            type="button"
            class="button w-full !justify-start"
            :class="row.id === id ? 'button-main' : ''"
            @click="show(row)"
          >
            {{ row.name }}
          </button>
        </li>
      </ul>
      <div v-if="mayChange" class="mt-3 space-y-2">
        <button type="button" class="button w-full" @click="editor.open(BLANK, null)">
          {{ say('hangar.new-aircraft') }}
        </button>
        <label class="button w-full cursor-pointer"
          >{{ say('hangar.from-a-file')
          }}<input type="file" accept="application/json,.json" class="sr-only" @change="upload"
        /></label>
      </div>
    </section>
    <form v-if="draft" class="min-w-0 space-y-4" @submit.prevent="keep">
      <div class="flex flex-wrap items-center gap-2">
        <h2 class="min-w-0 flex-1 text-2xl font-bold">{{ draft.name || say('hangar.new-aircraft') }}</h2>
        <template v-if="mayChange">
          <button type="submit" class="button button-main">{{ say('common.keep') }}</button>
          <button type="button" class="button" @click="copy">{{ say('common.copy') }}</button>
          <button v-if="id !== null" type="button" class="button" @click="editor.remove(draft.name, id)">
            {{ say('common.take-out-of-use') }}
          </button>
        </template>
        <button type="button" class="button" @click="download">{{ say('hangar.save-as-file') }}</button>
      </div>
      <EditorNotes
        :problem="problem"
        :fields="fields"
        :saved="saved"
        :differs="theirs ? differs : null"
        @theirs="editor.useTheirs()"
        @mine="keepOver()"
      />
      <p class="text-sm text-soft">
        {{ say('hangar.the-handbook-decides-enter-what') }}
      </p>
      <fieldset :disabled="!mayChange" class="grid min-w-0 gap-4 xl:grid-cols-2 [&>*]:min-w-0">
        <section class="panel space-y-3" :aria-label="say('hangar.weights-and-limits')">
          <AircraftWeights v-model="draft" :fields="fields" :may-change="mayChange" />
          <AircraftFitted v-model="draft" />
        </section>
        <AircraftLoading :id="id" v-model="draft" :fields="fields" :may-change="mayChange" />
        <AircraftFlaps :key="id ?? 0" v-model="draft" :may-change="mayChange" />
        <AircraftLegs v-model="draft" />
        <AircraftFlows v-model="draft" />
      </fieldset>
      <p class="text-sm text-soft">
        {{
          say('hangar.usual-weight-of-a-briefed', {
            number: round(
              (draft.empty_weight_lb as number) +
                (((draft.max_weight_lb as number) - (draft.empty_weight_lb as number)) * 2) / 3,
              10,
            ),
          })
        }}
      </p>
    </form>
  </div>
</template>
