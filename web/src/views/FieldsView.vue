<script setup lang="ts">
/** The school's fields: runway ends by coordinates, ground marks; exchanged as GeoJSON, imported from runway tables. */
import { say } from '@/said'
import { saveFile } from '@/files'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api } from '@/api/calls'
import { catalogueQuery, sessionQuery } from '@/api/queries'
import type { Airfield, GeoJson } from '@/api/types'
import GroundMarks from '@/airfields/GroundMarks.vue'
import RunwayEditor from '@/airfields/RunwayEditor.vue'
import TableFields from '@/airfields/TableFields.vue'
import EditorNotes from '@/components/EditorNotes.vue'
import FieldMap from '@/components/FieldMap.vue'
import Loading from '@/components/Loading.vue'
import { useEditor } from '@/composables/useEditor'
import { typedNumber } from '@/typed'
import { blankField, type Field, fromGeoJson, missingOf, toGeoJson } from '@/fields'

const catalogue = useQuery(catalogueQuery)
const session = useQuery(sessionQuery)
const mayChange = computed(() => session.data.value?.person?.role !== 'student')
const editor = useEditor<Field>('airfields', (theirs) => fromGeoJson(theirs.spec as GeoJson))
const { draft, id, fields, problem, saved, theirs, differs } = editor
const before = ref<GeoJson | null>(null)
/** What has to be entered before the field can be kept, in words. */
const lacks = ref('')
// typed before somebody left this page: what an undo goes back to is read again
if (id.value !== null) void api.airfieldGeojson(id.value).then((geojson) => (before.value ??= geojson))

async function show(row: Airfield) {
  const geojson = await api.airfieldGeojson(row.id)
  before.value = geojson
  editor.open(fromGeoJson(geojson), row.id, row.revision)
}
watch(
  catalogue.data,
  (now) => {
    if (now?.airfields[0] && !draft.value) void show(now.airfields[0])
  },
  { immediate: true },
)
function start() {
  before.value = null
  asked.value = []
  editor.open(blankField(), null)
}
/** Write over what somebody else has kept meanwhile. */
function keepOver() {
  editor.overTheirs()
  return keep()
}
async function keep() {
  const field = draft.value
  const old = before.value
  const row = id.value
  if (!field) return
  const missing = missingOf(field)
  lacks.value = missing.length ? say('fields.enter', { missing: missing.join(' and ') }) : ''
  if (missing.length) return
  await editor.keep(
    field.name,
    (at, seen) => api.keepAirfield(toGeoJson(field), at, seen),
    old && row !== null ? () => api.keepAirfield(old, row) : null,
  )
  if (!problem.value) before.value = toGeoJson(field)
}
function download() {
  const field = draft.value
  if (!field) return
  saveFile(
    new Blob([JSON.stringify(toGeoJson(field), null, 2)], { type: 'application/geo+json' }),
    `${field.ident || 'field'}.geojson`,
  )
}
type Found = Awaited<ReturnType<typeof api.readRunwayTable>>
const found = ref<Found | null>(null)
/** What the table left open of the field just taken from it. */
const asked = ref<string[]>([])
async function upload(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  problem.value = ''
  found.value = null
  asked.value = []
  if (!file) return
  if (file.size > 200_000) {
    problem.value = say('fields.the-file-is-over-200')
    return
  }
  const text = await file.text()
  try {
    if (text.trimStart().startsWith('{')) {
      before.value = null
      editor.open(fromGeoJson(JSON.parse(text) as GeoJson), null)
    } else {
      found.value = await api.readRunwayTable(text)
    }
  } catch (error) {
    problem.value =
      error instanceof Error ? `${file.name}: ${error.message}` : say('fields.is-not-readable', { name: file.name })
  }
}
function take(one: Found['fields'][number]) {
  before.value = null
  editor.open(fromGeoJson(one.geojson), null)
  asked.value = one.asked
  found.value = null
}
</script>

<template>
  <Loading v-if="!catalogue.data.value" :error="catalogue.error.value" :retry="catalogue.refetch" />
  <div v-else class="grid gap-4 lg:grid-cols-[230px_minmax(0,1fr)]">
    <section aria-labelledby="fields">
      <h1 id="fields" class="text-2xl font-bold">{{ say('common.fields') }}</h1>
      <ul class="mt-2 space-y-1">
        <li v-for="row in catalogue.data.value.airfields" :key="row.id">
          <button
            type="button"
            class="button w-full !justify-start"
            :class="row.id === id ? 'button-main' : ''"
            @click="show(row)"
          >
            {{ row.name }}<span v-if="row.is_fictional" class="font-normal"> {{ ' ' + say('fields.fictional') }}</span>
          </button>
        </li>
      </ul>
      <div v-if="mayChange" class="mt-3 space-y-2">
        <button type="button" class="button w-full" @click="start">{{ say('fields.new-field') }}</button>
        <label class="button w-full cursor-pointer text-center">
          {{ say('fields.from-geojson-or-a-runway')
          }}<input
            type="file"
            accept=".geojson,.json,.csv,text/csv,application/geo+json"
            class="sr-only"
            @change="upload"
          />
        </label>
      </div>
    </section>
    <div class="min-w-0 space-y-4">
      <TableFields v-if="found" :found="found" @take="take" />
      <p v-if="!draft && problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
      <form v-if="draft" class="space-y-4" @submit.prevent="keep">
        <div
          v-if="asked.length && id === null"
          class="rounded-lg border-l-4 border-warn bg-warn-wash px-3 py-2"
          role="status"
        >
          <p class="font-bold">{{ say('fields.the-table-leaves-this-open') }}</p>
          <ul class="list-disc pl-5">
            <li v-for="text in asked" :key="text">{{ text }}</li>
          </ul>
        </div>
        <div class="flex flex-wrap items-center gap-2">
          <h2 class="min-w-0 flex-1 text-2xl font-bold">{{ draft.name || say('fields.new-field') }}</h2>
          <template v-if="mayChange">
            <button type="submit" class="button button-main">{{ say('common.keep') }}</button>
            <button v-if="id !== null" type="button" class="button" @click="editor.remove(draft.name, id)">
              {{ say('common.take-out-of-use') }}
            </button>
          </template>
          <button type="button" class="button" @click="download">{{ say('fields.save-as-geojson') }}</button>
        </div>
        <EditorNotes
          :problem="problem"
          :fields="fields"
          :saved="saved"
          :differs="theirs ? differs : null"
          @theirs="editor.useTheirs()"
          @mine="keepOver()"
        />
        <fieldset :disabled="!mayChange" class="min-w-0 space-y-4">
          <section class="panel grid gap-3 sm:grid-cols-2 lg:grid-cols-4" :aria-label="say('fields.the-field')">
            <div>
              <label for="f-name" class="heading">{{ say('common.name') }}</label><input
                id="f-name"
                v-model="draft.name"
                class="field"
                maxlength="80"
                required
              />
            </div>
            <div>
              <label for="f-ident" class="heading">{{ say('fields.ident') }}</label><input
                id="f-ident"
                v-model="draft.ident"
                class="field"
                maxlength="8"
                required
              />
            </div>
            <div>
              <label for="f-elev" class="heading">{{ say('fields.elevation-ft') }}</label><input
                id="f-elev"
                v-model.number="draft.elevation_ft"
                class="field figure"
                type="number"
                step="any"
                required
              />
            </div>
            <div>
              <label for="f-tpa" class="heading">{{ say('fields.pattern-altitude-ft') }}</label><input
                id="f-tpa"
                class="field figure"
                type="number"
                step="any"
                :value="draft.pattern_altitude_ft ?? ''"
                :placeholder="say('fields.n-1-000-ft-up')"
                @change="draft.pattern_altitude_ft = typedNumber($event)"
              />
            </div>
          </section>
          <FieldMap :field="draft" />
          <RunwayEditor
            v-for="(runway, r) in draft.runways"
            :key="r"
            v-model="draft.runways[r]!"
            :nth="r + 1"
            :is-only="draft.runways.length < 2"
            :may-change="mayChange"
            @remove="draft.runways.splice(r, 1)"
          />
          <p v-if="lacks" role="alert" class="font-bold text-fail-ink">{{ lacks }}</p>
          <button
            v-if="mayChange"
            type="button"
            class="button"
            @click="draft.runways.push(blankField(draft).runways[0]!)"
          >
            {{ say('fields.another-runway') }}
          </button>
          <GroundMarks v-model="draft" :may-change="mayChange" />
        </fieldset>
      </form>
    </div>
  </div>
</template>
