<script setup lang="ts">
/** What landings are measured against: the built-in standards as they are, and copies the school may change. */
import { say } from '@/said'
import { useQuery } from '@tanstack/vue-query'
import { computed, watch } from 'vue'
import { api } from '@/api/calls'
import { catalogueQuery, sessionQuery } from '@/api/queries'
import type { Standard, StandardRow } from '@/api/types'
import EditorNotes from '@/components/EditorNotes.vue'
import Loading from '@/components/Loading.vue'
import Stepper from '@/components/Stepper.vue'
import { useEditor } from '@/composables/useEditor'

const catalogue = useQuery(catalogueQuery)
const session = useQuery(sessionQuery)
const isChief = computed(() => session.data.value?.person?.role === 'chief')
const editor = useEditor<Standard>('standards')
const { draft, id, fields, problem, saved, theirs, differs } = editor
const row = computed(() => catalogue.data.value?.standards.find((one) => one.id === id.value))
const mayEdit = computed(() => isChief.value && !row.value?.is_built_in)
const TASKS = [
  ['normal', say('standards.normal-and-crosswind')],
  ['short_field', say('common.short-field')],
  ['soft_field', say('common.soft-field')],
  ['power_off', say('common.power-off-180')],
] as const
type Landing = (typeof TASKS)[number][0]
const WEIGHTS = [
  ['accuracy', say('common.touchdown')],
  ['speed', say('common.speed')],
  ['float', say('common.float')],
  ['drift', say('common.drift')],
  ['centreline', say('standards.centreline')],
  ['arrival', say('standards.arrival')],
  ['takeoff', say('common.takeoff')],
  ['pattern', say('common.pattern')],
  ['final', say('common.final')],
  ['decision', say('common.decision')],
] as const
/** How a standard says where the wheels should touch. */
const WINDOWS = [
  ['spot', say('standards.from-the-spot')],
  ['share', say('standards.in-the-first-part-of')],
  ['unknown', say('standards.not-known')],
] as const
function windowOf(task: Landing): 'spot' | 'share' | 'unknown' {
  const found = draft.value?.[task]
  if (found?.within_share != null) return 'share'
  return found?.touchdown_to_ft == null ? 'unknown' : 'spot'
}
function setWindow(task: Landing, how: string) {
  const found = draft.value?.[task]
  if (!found) return
  found.within_share = how === 'share' ? 1 / 3 : null
  found.touchdown_from_ft = how === 'spot' ? 0 : null
  found.touchdown_to_ft = how === 'spot' ? 200 : null
}
const show = (one: StandardRow) => editor.open(one.spec, one.id, one.revision)
watch(catalogue.data, (now) => now?.standards[0] && !draft.value && show(now.standards[0]), { immediate: true })
function copy() {
  const spec = draft.value
  if (spec)
    editor.open(
      {
        ...spec,
        name: `${spec.name}, ours`,
        source: say('standards.copy-of-changed-by-the', { edition: spec.edition }),
      },
      null,
    )
}
/** Write over what somebody else has kept meanwhile. */
function keepOver() {
  editor.overTheirs()
  return keep()
}
async function keep() {
  const spec = draft.value
  const before = row.value
  if (!spec) return
  await editor.keep(
    spec.name,
    (one, seen) => api.keepStandard(spec, one, seen),
    before ? () => api.keepStandard(before.spec, before.id) : null,
  )
}
function toggle(task: Landing) {
  if (!draft.value) return
  draft.value[task] = draft.value[task]
    ? null
    : { touchdown_from_ft: 0, touchdown_to_ft: 200, speed_above_kt: 5, speed_below_kt: 5 }
}
function toggleClimb() {
  if (draft.value) draft.value.climb = draft.value.climb ? null : {}
}
function togglePattern() {
  if (draft.value) draft.value.pattern = draft.value.pattern ? null : {}
}
</script>

<template>
  <Loading v-if="!catalogue.data.value" :error="catalogue.error.value" :retry="catalogue.refetch" />
  <div v-else class="grid gap-4 lg:grid-cols-[230px_minmax(0,1fr)]">
    <section aria-labelledby="standards">
      <h1 id="standards" class="text-2xl font-bold">{{ say('common.standards') }}</h1>
      <ul class="mt-2 space-y-1">
        <li v-for="one in catalogue.data.value.standards" :key="one.id">
          <button
            type="button"
            class="button w-full !justify-start"
            :class="one.id === id ? 'button-main' : ''"
            @click="show(one)"
          >
            {{ one.name }}<span v-if="one.is_built_in" class="font-normal"> {{ ' ' + say('standards.built-in') }}</span>
          </button>
        </li>
      </ul>
    </section>
    <form v-if="draft" class="min-w-0 space-y-4" @submit.prevent="keep">
      <div class="flex flex-wrap items-center gap-2">
        <h2 class="min-w-0 flex-1 text-2xl font-bold">{{ draft.name }}</h2>
        <button v-if="mayEdit" type="submit" class="button button-main">{{ say('common.keep') }}</button>
        <button v-if="isChief" type="button" class="button" @click="copy">{{ say('common.copy') }}</button>
        <button v-if="mayEdit && id !== null" type="button" class="button" @click="editor.remove(draft.name, id)">
          {{ say('common.take-out-of-use') }}
        </button>
      </div>
      <EditorNotes
        :problem="problem"
        :fields="fields"
        :saved="saved"
        :differs="theirs ? differs : null"
        @theirs="editor.useTheirs()"
        @mine="keepOver()"
      />
      <p v-if="row?.is_built_in" class="font-bold">
        {{ say('standards.edition-built-in-it-stays', { edition: draft.edition, source: draft.source }) }}
      </p>
      <p v-else-if="!isChief" class="text-soft">{{ say('standards.only-the-chief-instructor-changes') }}</p>
      <fieldset :disabled="!mayEdit" class="min-w-0 space-y-4">
        <section
          v-if="!row?.is_built_in"
          class="panel grid gap-3 md:grid-cols-3"
          :aria-label="say('standards.name-and-source')"
        >
          <div v-for="field in ['name', 'edition', 'source'] as const" :key="field">
            <label :for="field" class="heading capitalize">{{ field }}</label>
            <input :id="field" v-model="draft[field]" class="field" maxlength="80" required />
          </div>
        </section>
        <section v-for="[task, label] in TASKS" :key="task" class="panel" :aria-label="label">
          <label class="flex min-h-11 items-center gap-2 text-lg font-bold">
            <input type="checkbox" class="h-6 w-6" :checked="!!draft[task]" @change="toggle(task)" />{{ label }}
          </label>
          <div v-if="draft[task]" class="space-y-3">
            <div v-if="draft.soft_field || task !== 'soft_field'" class="flex flex-wrap items-center gap-3">
              <label class="flex items-center gap-2">
                <span class="heading">{{ say('common.touchdown') }}</span>
                <select
                  class="field !w-auto"
                  :value="windowOf(task)"
                  :aria-label="say('standards.how-the-touchdown-is-given', { label })"
                  @change="setWindow(task, ($event.target as HTMLSelectElement).value)"
                >
                  <option v-for="[how, words] in WINDOWS" :key="how" :value="how">{{ words }}</option>
                </select>
              </label>
              <label v-if="windowOf(task) === 'share'" class="flex items-center gap-2">
                <span class="heading">{{ say('standards.the-first') }}</span>
                <select
                  v-model.number="draft[task]!.within_share"
                  class="field !w-auto"
                  :aria-label="say('standards.part-of-the-runway', { label })"
                >
                  <option :value="1 / 4">{{ say('standards.quarter') }}</option>
                  <option :value="1 / 3">{{ say('standards.third') }}</option>
                  <option :value="1 / 2">{{ say('standards.half') }}</option>
                </select>
                <span>{{ say('standards.of-the-landing-distance') }}</span>
              </label>
              <span v-if="windowOf(task) === 'unknown'" class="text-soft">
                {{ say('standards.nothing-is-planned-or-called') }}
              </span>
            </div>
            <div class="grid grid-cols-2 gap-3 lg:grid-cols-4">
              <template v-if="windowOf(task) === 'spot'">
                <Stepper
                  :model-value="draft[task]!.touchdown_from_ft ?? null"
                  :label="say('standards.box-from-the-spot')"
                  unit="ft"
                  :min="-2000"
                  :max="5000"
                  :step="10"
                  :error="fields[`spec.${task}.touchdown_from_ft`]"
                  @update:model-value="draft[task]!.touchdown_from_ft = $event ?? 0"
                />
                <Stepper
                  :model-value="draft[task]!.touchdown_to_ft ?? null"
                  :label="say('standards.to')"
                  unit="ft"
                  :min="-2000"
                  :max="5000"
                  :step="10"
                  :error="fields[`spec.${task}.touchdown_to_ft`]"
                  @update:model-value="draft[task]!.touchdown_to_ft = $event ?? 0"
                />
              </template>
              <Stepper
                :model-value="draft[task]!.speed_above_kt ?? null"
                :label="say('standards.faster-by')"
                :hint="say('standards.leave-it-empty-if-not')"
                unit="kt"
                :min="0"
                :max="50"
                @update:model-value="draft[task]!.speed_above_kt = $event"
              />
              <Stepper
                :model-value="draft[task]!.speed_below_kt ?? null"
                :label="say('standards.slower-by')"
                :hint="say('standards.leave-it-empty-if-not')"
                unit="kt"
                :min="0"
                :max="50"
                @update:model-value="draft[task]!.speed_below_kt = $event"
              />
            </div>
          </div>
          <p v-else-if="task === 'soft_field'" class="text-soft">{{ say('standards.no-figures-of-its-own') }}</p>
          <p v-else class="text-soft">{{ say('standards.not-examined') }}</p>
        </section>
        <section class="panel" :aria-label="say('common.climb')">
          <label class="flex min-h-11 items-center gap-2 text-lg font-bold">
            <input type="checkbox" class="h-6 w-6" :checked="!!draft.climb" @change="toggleClimb" />{{
              say('standards.climb-after-takeoff')
            }}
          </label>
          <div v-if="draft.climb" class="grid grid-cols-2 gap-3 lg:grid-cols-4">
            <Stepper
              :model-value="draft.climb.speed_above_kt ?? null"
              :label="say('standards.faster-by')"
              :hint="say('standards.leave-it-empty-if-not')"
              unit="kt"
              :min="0"
              :max="50"
              @update:model-value="draft.climb!.speed_above_kt = $event"
            />
            <Stepper
              :model-value="draft.climb.speed_below_kt ?? null"
              :label="say('standards.slower-by')"
              :hint="say('standards.leave-it-empty-if-not')"
              unit="kt"
              :min="0"
              :max="50"
              @update:model-value="draft.climb!.speed_below_kt = $event"
            />
          </div>
          <p v-else class="text-soft">{{ say('standards.not-examined') }}</p>
        </section>
        <section class="panel" :aria-label="say('common.pattern')">
          <label class="flex min-h-11 items-center gap-2 text-lg font-bold">
            <input type="checkbox" class="h-6 w-6" :checked="!!draft.pattern" @change="togglePattern" />{{
              say('standards.traffic-pattern')
            }}
          </label>
          <div v-if="draft.pattern" class="grid grid-cols-2 gap-3 lg:grid-cols-4">
            <Stepper
              :model-value="draft.pattern.altitude_ft ?? null"
              :label="say('standards.altitude-within')"
              :hint="say('standards.leave-it-empty-if-not')"
              unit="ft"
              :min="10"
              :max="1000"
              :step="10"
              @update:model-value="draft.pattern!.altitude_ft = $event"
            />
            <Stepper
              :model-value="draft.pattern.speed_above_kt ?? null"
              :label="say('standards.faster-by')"
              :hint="say('standards.leave-it-empty-if-not')"
              unit="kt"
              :min="0"
              :max="50"
              @update:model-value="draft.pattern!.speed_above_kt = $event"
            />
            <Stepper
              :model-value="draft.pattern.speed_below_kt ?? null"
              :label="say('standards.slower-by')"
              :hint="say('standards.leave-it-empty-if-not')"
              unit="kt"
              :min="0"
              :max="50"
              @update:model-value="draft.pattern!.speed_below_kt = $event"
            />
          </div>
          <p v-else class="text-soft">{{ say('standards.not-examined') }}</p>
        </section>
        <section v-if="draft.weights" class="panel" :aria-label="say('standards.weights')">
          <h3 class="text-lg font-bold">{{ say('standards.points-of-each-criterion') }}</h3>
          <p class="text-sm text-soft">{{ say('standards.ours-of-no-published-standard') }}</p>
          <div class="mt-1 grid grid-cols-2 gap-3 lg:grid-cols-5">
            <Stepper
              v-for="[name, label] in WEIGHTS"
              :key="name"
              :model-value="draft.weights[name] ?? null"
              :label="label"
              unit=""
              :min="0"
              :max="100"
              @update:model-value="draft.weights![name] = $event ?? 0"
            />
          </div>
        </section>
        <p class="text-sm text-soft">
          {{ say('standards.no-flap-and-slipped-landings') }}
        </p>
      </fieldset>
    </form>
  </div>
</template>
