<script setup lang="ts">
/** Signing: what speaks against it is said, and it is signed with one's own password. */
import { say } from '@/said'
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { useQuery } from '@tanstack/vue-query'
import { computed, reactive, ref, watch } from 'vue'
import { api } from '@/api/calls'
import { catalogueQuery } from '@/api/queries'
import type { EntryIn } from '@/api/types'
import { useWrite } from '@/composables/useWrite'
import { newId } from '@/offline/ids'

const props = defineProps<{
  studentId: number
  name: string
  code: string | null
  codeName: string
  /** The entry that is to be put right, and what it was. */
  corrects: { id: string; name: string } | null
  /** What was noted for it before, without a network. */
  noted?: string
}>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ signed: [] }>()
type Kind = EntryIn['kind']
const KINDS: { value: Kind; label: string }[] = [
  { value: 'exercise', label: say('record.an-exercise') },
  { value: 'first_solo', label: say('record.first-solo') },
  { value: 'check_out', label: say('record.check-out-on-an-aircraft') },
  { value: 'recommendation', label: say('record.recommendation-for-the-test') },
]
const catalogue = useQuery(catalogueQuery)
const form = reactive({
  kind: 'exercise' as Kind,
  words: '',
  aircraft_id: null as number | null,
  ticked: [] as string[],
  wind_limit_kt: null as number | null,
  crosswind_limit_kt: null as number | null,
  field: '',
})
const password = ref('')
/** One number for one entry, however often the button is pressed. */
const id = ref(newId())
const warnings = ref<string[]>([])
const checklist = ref<{ code: string; words: string }[]>([])
const { write, problem, fields, isBusy, clear } = useWrite({ otherwise: say('record.nothing-was-signed') })
const entry = computed<EntryIn>(() => ({
  id: id.value,
  kind: form.kind,
  words:
    form.words.trim() ||
    (form.kind === 'exercise'
      ? props.codeName
      : (KINDS.find((one) => one.value === form.kind)?.label ?? say('record.correction'))),
  code: form.kind === 'exercise' ? props.code : null,
  aircraft_id: form.kind === 'check_out' ? form.aircraft_id : null,
  ticked: form.ticked,
  wind_limit_kt: form.kind === 'first_solo' ? form.wind_limit_kt : null,
  crosswind_limit_kt: form.kind === 'first_solo' ? form.crosswind_limit_kt : null,
  field: form.kind === 'first_solo' && form.field.trim() ? form.field.trim() : null,
  corrects: form.kind === 'correction' ? (props.corrects?.id ?? null) : null,
}))
async function look() {
  try {
    const found = await api.lookBeforeSigning(props.studentId, entry.value)
    warnings.value = found.warnings
    checklist.value = found.checklist
  } catch (error) {
    warnings.value = [error instanceof Error ? error.message : say('record.what-speaks-against-it-could')]
  }
}
watch(open, (now) => {
  if (!now) return
  Object.assign(form, {
    kind: props.corrects ? 'correction' : props.code ? 'exercise' : 'first_solo',
    words: props.noted ?? '',
    ticked: [],
  })
  password.value = ''
  id.value = newId()
  clear()
  void look()
})
watch([() => form.kind, () => form.ticked.length, () => form.aircraft_id], () => open.value && void look())
async function sign() {
  const written = await write({ call: () => api.sign(props.studentId, { ...entry.value, password: password.value }) })
  password.value = ''
  if (!written) return
  open.value = false
  emit('signed')
}
</script>

<template>
  <Dialog :open="open" class="relative z-20" @close="open = false">
    <div class="fixed inset-0 bg-black/50" aria-hidden="true" />
    <div class="fixed inset-0 overflow-y-auto p-4">
      <DialogPanel class="panel mx-auto w-full max-w-lg">
        <form class="space-y-3" @submit.prevent="sign">
          <DialogTitle class="text-xl font-bold">{{ say('record.sign-for', { name }) }}</DialogTitle>
          <p v-if="form.kind === 'correction'">
            <b>{{ corrects?.name }}</b> {{ say('record.will-no-longer-hold-it') }}
          </p>
          <label v-else class="block">
            <span class="heading">{{ say('record.what') }}</span>
            <select v-model="form.kind" class="field">
              <option
                v-for="one in KINDS"
                :key="one.value"
                :value="one.value"
                :disabled="one.value === 'exercise' && !code"
              >
                {{ one.value === 'exercise' && code ? codeName : one.label }}
              </option>
            </select>
          </label>
          <label v-if="form.kind === 'check_out'" class="block">
            <span class="heading">{{ say('common.aircraft') }}</span>
            <select v-model="form.aircraft_id" class="field" required>
              <option v-for="one in catalogue.data.value?.aircraft" :key="one.id" :value="one.id">
                {{ one.name }}
              </option>
            </select>
          </label>
          <fieldset v-if="checklist.length">
            <legend class="heading">{{ say('record.each-of-these-you-have') }}</legend>
            <label v-for="one in checklist" :key="one.code" class="flex min-h-11 items-center gap-3">
              <input v-model="form.ticked" type="checkbox" class="size-6" :value="one.code" /> {{ one.words }}
            </label>
          </fieldset>
          <div v-if="form.kind === 'first_solo'" class="grid grid-cols-3 gap-2">
            <label class="block"
              ><span class="heading">{{ say('record.wind-to-kt') }}</span
              ><input v-model.number="form.wind_limit_kt" type="number" min="0" max="60" class="field"
            /></label>
            <label class="block"
              ><span class="heading">{{ say('record.across-to-kt') }}</span
              ><input v-model.number="form.crosswind_limit_kt" type="number" min="0" max="60" class="field"
            /></label>
            <label class="block"
              ><span class="heading">{{ say('record.field') }}</span
              ><input v-model="form.field" maxlength="200" class="field"
            /></label>
          </div>
          <label class="block">
            <span class="heading">{{
              form.kind === 'correction' ? say('record.why-it-is-corrected') : say('record.in-your-words-or-nothing')
            }}</span>
            <input v-model="form.words" class="field" maxlength="400" :required="form.kind === 'correction'" />
          </label>
          <div v-if="warnings.length" class="rounded-lg border-l-4 border-warn bg-warn-wash px-3 py-2" role="status">
            <p class="font-bold">{{ say('record.look-at-this-before-you') }}</p>
            <ul class="list-disc pl-5">
              <li v-for="line in warnings" :key="line">{{ line }}</li>
            </ul>
          </div>
          <p class="text-sm">
            {{ say('record.you-decide-not-the-program') }}
          </p>
          <label class="block">
            <span class="heading">{{ say('common.your-password') }}</span>
            <input v-model="password" type="password" class="field" autocomplete="current-password" required />
          </label>
          <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ Object.values(fields)[0] ?? problem }}</p>
          <div class="flex gap-2">
            <button type="submit" class="button button-main" :disabled="isBusy">{{ say('record.sign') }}</button>
            <button type="button" class="button" @click="open = false">{{ say('common.back') }}</button>
          </div>
        </form>
      </DialogPanel>
    </div>
  </Dialog>
</template>
