<script setup lang="ts">
/** The school's fields: runway ends by coordinates, ground marks; exchanged as GeoJSON, imported from runway tables. */
import { saveFile } from '@/files'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, catalogueQuery, sessionQuery } from '@/api/queries'
import type { Airfield, GeoJson } from '@/api/types'
import EditorNotes from '@/components/EditorNotes.vue'
import FieldMap from '@/components/FieldMap.vue'
import Loading from '@/components/Loading.vue'
import { useEditor } from '@/composables/useEditor'
import {
  SURROUNDINGS,
  blankField,
  courseDeg,
  type End,
  exitsFrom,
  exitsText,
  type Field,
  fromGeoJson,
  lengthFt,
  missingOf,
  type Runway,
  toGeoJson,
} from '@/fields'
import { round } from '@/words'

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
  lacks.value = missing.length ? `Enter ${missing.join(' and ')}.` : ''
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
const wanted = ref('')
/** What the table left open of the field just taken from it. */
const asked = ref<string[]>([])
const shown = computed(() =>
  (found.value?.fields ?? [])
    .filter((one) => one.ident.toLowerCase().includes(wanted.value.toLowerCase()))
    .slice(0, 40),
)
async function upload(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  problem.value = ''
  found.value = null
  asked.value = []
  if (!file) return
  if (file.size > 200_000) {
    problem.value =
      'The file is over 200 kB: keep only the lines of the fields you need, the first line with the column names too.'
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
    problem.value = error instanceof Error ? `${file.name}: ${error.message}` : `${file.name} is not readable.`
  }
}
function take(one: Found['fields'][number]) {
  before.value = null
  editor.open(fromGeoJson(one.geojson), null)
  asked.value = one.asked
  found.value = null
}
/** What stands around a runway: the wind near the ground is less for it, at both ends. */
function surround(runway: Runway, value: string) {
  const chosen = SURROUNDINGS.find((one) => one === value) ?? 'open'
  for (const end of runway.ends) end.surroundings = chosen
}
const exitProblem = ref('')
function setExits(end: End, event: Event) {
  const text = (event.target as HTMLInputElement).value
  const exits = exitsFrom(text)
  exitProblem.value =
    exits === null ? `“${text}” is not a list of exits: write each as its name and feet, such as A 900, B 1600.` : ''
  if (exits !== null) end.exits = exits
}
const SURFACES = ['asphalt', 'concrete', 'grass', 'gravel', 'unknown'] as const
const USES = ['downwind', 'base', 'final', 'go_around', 'other'] as const
const number = (event: Event) => {
  const text = (event.target as HTMLInputElement).value
  return text === '' ? null : Number(text)
}
</script>

<template>
  <Loading v-if="!catalogue.data.value" :error="catalogue.error.value" :retry="catalogue.refetch" />
  <div v-else class="grid gap-4 lg:grid-cols-[230px_minmax(0,1fr)]">
    <section aria-labelledby="fields">
      <h1 id="fields" class="text-2xl font-bold">Fields</h1>
      <ul class="mt-2 space-y-1">
        <li v-for="row in catalogue.data.value.airfields" :key="row.id">
          <button
            type="button"
            class="button w-full !justify-start"
            :class="row.id === id ? 'button-main' : ''"
            @click="show(row)"
          >
            {{ row.name }}<span v-if="row.is_fictional" class="font-normal"> · fictional</span>
          </button>
        </li>
      </ul>
      <div v-if="mayChange" class="mt-3 space-y-2">
        <button type="button" class="button w-full" @click="start">New field</button>
        <label class="button w-full cursor-pointer text-center">
          From GeoJSON or a runway table (CSV)<input
            type="file"
            accept=".geojson,.json,.csv,text/csv,application/geo+json"
            class="sr-only"
            @change="upload"
          />
        </label>
      </div>
    </section>
    <div class="min-w-0 space-y-4">
      <section v-if="found" class="panel" aria-label="Fields in the table">
        <label for="wanted" class="heading">Find one of {{ found.fields.length }} fields</label>
        <input id="wanted" v-model="wanted" class="field" />
        <ul class="mt-2 flex flex-wrap gap-1">
          <li v-for="one in shown" :key="one.ident">
            <button type="button" class="button" @click="take(one)">{{ one.ident }}: {{ one.runways }} runways</button>
          </li>
        </ul>
        <details v-if="found.left_out.length" class="mt-2 text-sm">
          <summary>{{ found.left_out.length }} lines were left out</summary>
          <p v-for="text in found.left_out" :key="text">{{ text }}</p>
        </details>
      </section>
      <p v-if="!draft && problem" role="alert" class="font-bold text-fail-ink">{{ problem }}</p>
      <form v-if="draft" class="space-y-4" @submit.prevent="keep">
        <div
          v-if="asked.length && id === null"
          class="rounded-lg border-l-4 border-warn bg-warn-wash px-3 py-2"
          role="status"
        >
          <p class="font-bold">The table leaves this open. Look before you keep the field:</p>
          <ul class="list-disc pl-5">
            <li v-for="text in asked" :key="text">{{ text }}</li>
          </ul>
        </div>
        <div class="flex flex-wrap items-center gap-2">
          <h2 class="min-w-0 flex-1 text-2xl font-bold">{{ draft.name || 'New field' }}</h2>
          <template v-if="mayChange">
            <button type="submit" class="button button-main">Keep</button>
            <button v-if="id !== null" type="button" class="button" @click="editor.remove(draft.name, id)">
              Take out of use
            </button>
          </template>
          <button type="button" class="button" @click="download">Save as GeoJSON</button>
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
          <section class="panel grid gap-3 sm:grid-cols-2 lg:grid-cols-4" aria-label="The field">
            <div>
              <label for="f-name" class="heading">Name</label
              ><input id="f-name" v-model="draft.name" class="field" maxlength="80" required />
            </div>
            <div>
              <label for="f-ident" class="heading">Ident</label
              ><input id="f-ident" v-model="draft.ident" class="field" maxlength="8" required />
            </div>
            <div>
              <label for="f-elev" class="heading">Elevation, ft</label
              ><input
                id="f-elev"
                v-model.number="draft.elevation_ft"
                class="field figure"
                type="number"
                step="any"
                required
              />
            </div>
            <div>
              <label for="f-tpa" class="heading">Pattern altitude, ft</label
              ><input
                id="f-tpa"
                class="field figure"
                type="number"
                step="any"
                :value="draft.pattern_altitude_ft ?? ''"
                placeholder="1,000 ft up"
                @change="draft.pattern_altitude_ft = number($event)"
              />
            </div>
          </section>
          <FieldMap :field="draft" />
          <section
            v-for="(runway, r) in draft.runways"
            :key="r"
            class="panel space-y-2"
            :aria-label="`Runway ${r + 1}`"
          >
            <div class="flex flex-wrap items-center gap-2">
              <h3 class="flex-1 text-lg font-bold">Runway {{ runway.ends.map((end) => end.ident).join('/') }}</h3>
              <label class="flex items-center gap-2 text-sm"
                >Surface
                <select v-model="runway.surface" class="field !w-32">
                  <option v-for="one in SURFACES" :key="one" :value="one">{{ one }}</option>
                </select>
              </label>
              <label class="flex items-center gap-2 text-sm"
                >Around it
                <select
                  class="field !w-32"
                  :value="runway.ends[0].surroundings"
                  @change="surround(runway, ($event.target as HTMLSelectElement).value)"
                >
                  <option v-for="one in SURROUNDINGS" :key="one" :value="one">{{ one }}</option>
                </select>
              </label>
              <label class="flex items-center gap-2 text-sm"
                >Width, ft <input v-model.number="runway.width_ft" class="field figure !w-24" type="number" step="any"
              /></label>
              <button
                v-if="mayChange"
                type="button"
                class="button"
                :disabled="draft.runways.length < 2"
                @click="draft.runways.splice(r, 1)"
              >
                Remove
              </button>
            </div>
            <div class="overflow-x-auto" tabindex="0" :aria-label="`Runway ${r + 1}: its ends`">
              <table class="w-full min-w-[60rem] text-left">
                <thead>
                  <tr class="text-sm text-soft">
                    <th>End</th>
                    <th>Latitude, ° N</th>
                    <th>Longitude, ° E</th>
                    <th>Elev., ft</th>
                    <th class="pr-2">Displaced, ft</th>
                    <th>Pattern</th>
                    <th>Path, °</th>
                    <th class="pr-2">Obstacle, ft high</th>
                    <th class="pr-2">ft before</th>
                    <th>Preferred</th>
                  </tr>
                </thead>
                <tbody>
                  <tr v-for="(end, e) in runway.ends" :key="e">
                    <td class="py-1 pr-1">
                      <input
                        v-model="end.ident"
                        class="field !w-14"
                        maxlength="4"
                        :aria-label="`Runway ${r + 1}, end ${e + 1}: ident`"
                      />
                    </td>
                    <td class="py-1 pr-1">
                      <input
                        v-model.number="end.lat"
                        class="field figure !w-36"
                        type="number"
                        step="any"
                        :aria-label="`${end.ident}: latitude`"
                      />
                    </td>
                    <td class="py-1 pr-1">
                      <input
                        v-model.number="end.lon"
                        class="field figure !w-40"
                        type="number"
                        step="any"
                        :aria-label="`${end.ident}: longitude`"
                      />
                    </td>
                    <td class="py-1 pr-1">
                      <input
                        v-model.number="end.elevation_ft"
                        class="field figure !w-20"
                        type="number"
                        step="any"
                        :aria-label="`${end.ident}: elevation`"
                      />
                    </td>
                    <td class="py-1 pr-1">
                      <input
                        v-model.number="end.displaced_threshold_ft"
                        class="field figure !w-24"
                        type="number"
                        step="any"
                        :aria-label="`${end.ident}: displaced threshold`"
                      />
                    </td>
                    <td class="py-1 pr-1">
                      <select v-model="end.pattern" class="field !w-24" :aria-label="`${end.ident}: pattern side`">
                        <option value="left">left</option>
                        <option value="right">right</option>
                      </select>
                    </td>
                    <td class="py-1 pr-1">
                      <input
                        v-model.number="end.path_angle_deg"
                        class="field figure !w-14"
                        type="number"
                        step="any"
                        :aria-label="`${end.ident}: path angle`"
                      />
                    </td>
                    <td class="py-1 pr-1">
                      <input
                        class="field figure !w-20"
                        type="number"
                        step="any"
                        placeholder="none"
                        :value="end.obstacle?.height_ft ?? ''"
                        :aria-label="`${end.ident}: obstacle height`"
                        @change="
                          end.obstacle =
                            number($event) === null
                              ? null
                              : {
                                  height_ft: number($event)!,
                                  before_threshold_ft: end.obstacle?.before_threshold_ft ?? 500,
                                }
                        "
                      />
                    </td>
                    <td class="py-1 pr-1">
                      <input
                        class="field figure !w-20"
                        type="number"
                        step="any"
                        :disabled="!end.obstacle"
                        :value="end.obstacle?.before_threshold_ft ?? ''"
                        :aria-label="`${end.ident}: obstacle before the threshold`"
                        @change="end.obstacle && (end.obstacle.before_threshold_ft = number($event) ?? 0)"
                      />
                    </td>
                    <td class="py-1">
                      <input
                        v-model="end.preferred"
                        type="checkbox"
                        class="h-6 w-6"
                        :aria-label="`${end.ident}: preferred`"
                      />
                    </td>
                  </tr>
                </tbody>
              </table>
            </div>
            <div class="grid gap-2 sm:grid-cols-2">
              <label v-for="(end, e) in runway.ends" :key="e" class="text-sm"
                >Exits when landing on {{ end.ident }}: name and feet from the threshold
                <input
                  class="field figure"
                  maxlength="200"
                  placeholder="A 900, B 1600"
                  :value="exitsText(end.exits)"
                  :disabled="!mayChange"
                  @change="setExits(end, $event)"
                />
              </label>
            </div>
            <div class="grid gap-2 sm:grid-cols-2">
              <fieldset v-for="(end, e) in runway.ends" :key="e" class="flex flex-wrap gap-2 text-sm">
                <legend>Pattern of {{ end.ident }}, where the field bends it</legend>
                <label
                  >Spacing, nm
                  <input
                    class="field figure !w-24"
                    type="number"
                    step="any"
                    placeholder="usual"
                    :value="end.pattern_spacing_nm ?? ''"
                    @change="end.pattern_spacing_nm = number($event)"
                  />
                </label>
                <label
                  >Base to final, °
                  <input v-model.number="end.base_angle_deg" class="field figure !w-24" type="number" step="any" />
                </label>
                <label
                  >Downwind flown on, s
                  <input
                    v-model.number="end.downwind_extension_s"
                    class="field figure !w-24"
                    type="number"
                    step="any"
                  />
                </label>
              </fieldset>
            </div>
            <p v-if="exitProblem" role="alert" class="font-bold text-fail-ink">{{ exitProblem }}</p>
            <p v-if="lacks" role="alert" class="font-bold text-fail-ink">{{ lacks }}</p>
            <p class="text-sm text-soft">
              The ends of the pavement; length, course and slope follow from them: {{ round(lengthFt(runway)) }} ft,
              {{ round(courseDeg(runway)) }}° true.
            </p>
          </section>
          <button
            v-if="mayChange"
            type="button"
            class="button"
            @click="draft.runways.push(blankField(draft).runways[0]!)"
          >
            Another runway
          </button>
          <section class="panel space-y-2" aria-label="Ground marks">
            <h3 class="font-bold">Ground marks: what you point at</h3>
            <div
              v-for="(mark, m) in draft.marks"
              :key="m"
              class="grid grid-cols-2 gap-2 sm:grid-cols-[1fr_7rem_7rem_7rem_auto]"
            >
              <input
                v-model="mark.name"
                class="field"
                maxlength="80"
                placeholder="clearing in the wood"
                :aria-label="`Mark ${m + 1}: name`"
              />
              <input
                v-model.number="mark.lat"
                class="field figure"
                type="number"
                step="any"
                :aria-label="`Mark ${m + 1}: latitude`"
              />
              <input
                v-model.number="mark.lon"
                class="field figure"
                type="number"
                step="any"
                :aria-label="`Mark ${m + 1}: longitude`"
              />
              <select v-model="mark.use" class="field" :aria-label="`Mark ${m + 1}: used on`">
                <option v-for="use in USES" :key="use" :value="use">{{ use.replace('_', '-') }}</option>
              </select>
              <button
                type="button"
                class="button !px-3"
                :aria-label="`Remove mark ${m + 1}`"
                @click="draft.marks.splice(m, 1)"
              >
                ×
              </button>
            </div>
            <button
              v-if="mayChange"
              type="button"
              class="button"
              @click="
                draft.marks.push({
                  name: '',
                  lat: draft.runways[0]?.ends[0]?.lat ?? 0,
                  lon: draft.runways[0]?.ends[0]?.lon ?? 0,
                  use: 'base',
                })
              "
            >
              Pin a mark
            </button>
          </section>
        </fieldset>
      </form>
    </div>
  </div>
</template>
