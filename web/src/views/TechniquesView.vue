<script setup lang="ts">
/** Schools of thought: each choice with what it suits and costs, our default and why; warned of where two do not go together. */
import { say } from '@/said'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { ApiError } from '@/api/client'
import { api } from '@/api/calls'
import { catalogueQuery, disputesQuery, sessionQuery } from '@/api/queries'
import type { Technique, TechniqueRow } from '@/api/types'
import Cautions from '@/components/Cautions.vue'
import EditorNotes from '@/components/EditorNotes.vue'
import Loading from '@/components/Loading.vue'
import { useEditor } from '@/composables/useEditor'

type Draft = { name: string; spec: Technique }
const catalogue = useQuery(catalogueQuery)
const disputes = useQuery(disputesQuery)
const session = useQuery(sessionQuery)
const client = useQueryClient()
const mayChange = computed(() => session.data.value?.person?.role !== 'student')
const editor = useEditor<Draft>('techniques', ({ name, spec }) => ({ name, spec: spec as Draft['spec'] }))
const { draft, id, fields, problem, saved, theirs, differs } = editor
const row = computed(() => catalogue.data.value?.techniques.find((one) => one.id === id.value))
const mayEdit = computed(() => mayChange.value && !row.value?.is_built_in)
const mine = computed(() => catalogue.data.value?.my_technique_id ?? null)
const show = (one: TechniqueRow) => editor.open({ name: one.name, spec: one.spec }, one.id, one.revision)
watch(
  catalogue.data,
  (now) => {
    const first = now?.techniques.find((one) => one.id === now.my_technique_id) ?? now?.techniques[0]
    if (first && !draft.value) show(first)
  },
  { immediate: true },
)
const warnings = ref<string[]>([])
watch(
  () => draft.value?.spec,
  async (spec) => {
    if (!spec) return
    try {
      warnings.value = (await api.checkTechnique(spec)).warnings
    } catch (error) {
      // without an answer nothing is known of the combination, and that is said: no warning would read as "safe"
      if (!(error instanceof ApiError)) throw error
      warnings.value = [say('techniques.whether-these-choices-go-together', { message: error.message })]
    }
  },
  { deep: true, immediate: true },
)
type Key = keyof Technique
const chosen = (field: string) => draft.value?.spec[field as Key]
function choose(field: string, value: string | boolean) {
  if (draft.value) draft.value.spec = { ...draft.value.spec, [field]: value } as Technique
}
/** Write over what somebody else has kept meanwhile. */
function keepOver() {
  editor.overTheirs()
  return keep()
}
async function keep() {
  const one = draft.value
  const before = row.value
  if (!one) return
  await editor.keep(
    one.name,
    (at, seen) => api.keepTechnique(one.name, one.spec, at, seen),
    before ? () => api.keepTechnique(before.name, before.spec, before.id) : null,
  )
}
async function makeMine() {
  if (id.value === null) return
  await editor.attempt(() => api.makeTechniqueMine(id.value!), say('techniques.new-sorties-of-yours-start'))
  await client.invalidateQueries({ queryKey: catalogueQuery.queryKey })
}
</script>

<template>
  <Loading
    v-if="!catalogue.data.value || !disputes.data.value"
    :error="catalogue.error.value ?? disputes.error.value"
    :retry="() => [catalogue.refetch(), disputes.refetch()]"
  />
  <div v-else class="grid gap-4 lg:grid-cols-[230px_minmax(0,1fr)]">
    <section aria-labelledby="techniques">
      <h1 id="techniques" class="text-2xl font-bold">{{ say('common.techniques') }}</h1>
      <p class="text-sm text-soft">{{ say('techniques.where-instructors-differ-theirs-is') }}</p>
      <ul class="mt-2 space-y-1">
        <li v-for="one in catalogue.data.value.techniques" :key="one.id">
          <button
            type="button"
            class="button w-full !justify-start text-left"
            :class="one.id === id ? 'button-main' : ''"
            @click="show(one)"
          >
            {{ one.name }}<span v-if="one.id === mine" class="font-normal"> {{ ' ' + say('techniques.mine') }}</span>
          </button>
        </li>
      </ul>
    </section>
    <form v-if="draft" class="min-w-0 space-y-3" @submit.prevent="keep">
      <div class="flex flex-wrap items-center gap-2">
        <h2 class="min-w-0 flex-1 text-2xl font-bold">{{ draft.name }}</h2>
        <button v-if="mayEdit" type="submit" class="button button-main">{{ say('common.keep') }}</button>
        <button v-if="mayChange && id !== null && id !== mine" type="button" class="button" @click="makeMine">
          {{ say('techniques.make-it-mine') }}
        </button>
        <button
          v-if="mayChange"
          type="button"
          class="button"
          @click="editor.open({ name: `${draft.name}, mine`, spec: draft.spec }, null)"
        >
          {{ say('common.copy') }}
        </button>
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
      <p v-if="row?.is_built_in" class="text-soft">{{ say('techniques.built-in-it-stays-as') }}</p>
      <Cautions :cautions="warnings" />
      <div v-if="!row?.is_built_in">
        <label for="technique-name" class="heading">{{ say('common.name') }}</label>
        <input id="technique-name" v-model="draft.name" class="field" maxlength="80" required :disabled="!mayEdit" />
      </div>
      <fieldset v-for="one in disputes.data.value.disputes" :key="one.field" :disabled="!mayEdit" class="panel">
        <legend class="sr-only">{{ one.title }}</legend>
        <h3 class="text-lg font-bold" aria-hidden="true">{{ one.title }}</h3>
        <p class="text-soft">{{ one.about }}</p>
        <div class="mt-1 grid gap-2" :class="one.ways.length === 2 ? 'md:grid-cols-2' : 'md:grid-cols-3'">
          <label
            v-for="way in one.ways"
            :key="String(way.value)"
            class="block cursor-pointer rounded-lg border-2 p-2"
            :class="chosen(one.field) === way.value ? 'border-ink bg-paper' : 'border-line'"
          >
            <span class="flex items-start gap-2 font-bold">
              <input
                type="radio"
                class="mt-1 h-5 w-5 shrink-0"
                :name="one.field"
                :checked="chosen(one.field) === way.value"
                @change="choose(one.field, way.value)"
              />
              {{ way.label }}
            </span>
            <span class="mt-1 block text-sm">{{ say('techniques.suits', { suits: way.suits }) }}</span>
            <span class="block text-sm">{{ say('techniques.costs', { costs: way.costs }) }}</span>
            <span v-if="way.value === one.default" class="block text-sm text-soft">{{
              say('techniques.our-default', { why: one.why })
            }}</span>
          </label>
        </div>
      </fieldset>
    </form>
  </div>
</template>
