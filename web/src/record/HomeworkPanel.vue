<script setup lang="ts">
/** Homework: set by the instructor, done by the student, seen by the instructor. */
import { say } from '@/said'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { reactive, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { api } from '@/api/calls'
import { homeworkQuery } from '@/api/queries'
import type { HomeworkIn } from '@/api/types'
import { useWrite } from '@/composables/useWrite'
import { day, today } from '@/words'

const props = defineProps<{ studentId: number; mayCoach: boolean }>()
const client = useQueryClient()
const homework = useQuery(homeworkQuery(props.studentId))
const faults = useQuery({ queryKey: ['faults'], queryFn: () => api.faults(null, null) })
const KINDS = {
  drill: say('record.drill'),
  reading: say('record.reading'),
  flow: say('record.flow'),
  calls: say('record.calls'),
  other: say('common.other'),
} as const
const form = reactive({ kind: 'drill' as HomeworkIn['kind'], words: '', due_on: '', fault: '' })
const isOpen = ref(false)
const { write, problem, fields } = useWrite({
  refresh: () => client.invalidateQueries({ queryKey: homeworkQuery(props.studentId).queryKey }),
  otherwise: say('common.not-kept'),
})
async function give() {
  const body = { kind: form.kind, words: form.words, due_on: form.due_on || null, fault: form.fault || null }
  const written = await write({
    call: () => api.giveHomework(props.studentId, body),
    undo: { what: say('record.the-homework'), back: (answer) => api.takeHomeworkBack(props.studentId, answer.id) },
  })
  if (!written) return
  Object.assign(form, { words: '', due_on: '', fault: '' })
  isOpen.value = false
}
function mark(id: number, body: { done?: boolean; seen?: boolean }) {
  const back = Object.fromEntries(Object.entries(body).map(([name, value]) => [name, !value]))
  void write({
    call: () => api.markHomework(props.studentId, id, body),
    undo: { what: 'homework', back: () => api.markHomework(props.studentId, id, back) },
  })
}
</script>

<template>
  <section class="panel space-y-2" :aria-label="say('record.homework')">
    <div class="flex items-center gap-2">
      <h2 class="flex-1 text-lg font-bold">{{ say('record.homework') }}</h2>
      <button v-if="mayCoach" type="button" class="button" :aria-expanded="isOpen" @click="isOpen = !isOpen">
        {{ say('record.set') }}
      </button>
    </div>
    <form v-if="isOpen" class="grid gap-2 sm:grid-cols-2" @submit.prevent="give">
      <label class="block">
        <span class="heading">{{ say('common.kind') }}</span>
        <select v-model="form.kind" class="field">
          <option v-for="(label, value) in KINDS" :key="value" :value="value">{{ label }}</option>
        </select>
      </label>
      <label class="block"
        ><span class="heading">{{ say('record.due') }}</span
        ><input v-model="form.due_on" type="date" class="field"
      /></label>
      <label class="block sm:col-span-2">
        <span class="heading">{{ say('record.what-to-do') }}</span><input
          v-model="form.words"
          class="field"
          maxlength="400"
          required
        />
      </label>
      <label class="block sm:col-span-2">
        <span class="heading">{{ say('record.with-the-page-of-a') }}</span>
        <select v-model="form.fault" class="field">
          <option value="">{{ say('common.none') }}</option>
          <option v-for="one in faults.data.value?.faults" :key="one.code" :value="one.code">{{ one.name }}</option>
        </select>
      </label>
      <button type="submit" class="button button-main justify-self-start">{{ say('common.set-it') }}</button>
    </form>
    <p v-if="problem" role="alert" class="font-bold text-fail-ink">{{ Object.values(fields)[0] ?? problem }}</p>
    <p v-if="!homework.data.value?.homework.length" class="text-soft">{{ say('record.nothing-set') }}</p>
    <ul class="divide-y divide-line">
      <li v-for="one in homework.data.value?.homework" :key="one.id" class="flex flex-wrap items-center gap-2 py-1">
        <span class="min-w-0 flex-1">
          <b>{{ KINDS[one.kind] }}:</b> {{ one.words }}
          <RouterLink v-if="one.fault" :to="`/faults#${one.fault}`" class="underline">{{
            say('record.read')
          }}</RouterLink>
          <span
            class="block text-sm"
            :class="one.due_on && !one.done_at && one.due_on < today() ? 'font-bold text-fail-ink' : 'text-soft'"
          >
            {{
              one.seen_at
                ? say('record.done-and-seen')
                : one.done_at
                  ? say('record.done')
                  : one.due_on
                    ? say('record.due-on', {
                        due_on: day(one.due_on),
                        today: one.due_on < today() ? say('record.late') : '',
                      })
                    : say('record.open')
            }}
          </span>
        </span>
        <button v-if="!one.done_at" type="button" class="button" @click="mark(one.id, { done: true })">
          {{ say('common.done') }}
        </button>
        <button v-else-if="mayCoach && !one.seen_at" type="button" class="button" @click="mark(one.id, { seen: true })">
          {{ say('record.seen') }}
        </button>
      </li>
    </ul>
  </section>
</template>
