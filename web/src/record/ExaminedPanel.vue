<script setup lang="ts">
/** The sortie as an examiner would go through it: every standard of the school side by side, one of them task by task. */
import { say } from '@/said'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api } from '@/api/calls'

const props = defineProps<{ sortieId: number; isMockTest: boolean; standardId: number }>()
const examined = useQuery({
  queryKey: ['examined', props.sortieId],
  queryFn: () => api.examined(props.sortieId),
  retry: false,
})
const opened = ref(props.isMockTest)
const chosen = ref(props.standardId)
const rows = computed(() => examined.data.value?.standards ?? [])
const tasks = computed(() => {
  const seen = new Map<string, string>()
  for (const row of rows.value) for (const item of row.items) seen.set(item.code, item.name)
  return [...seen].map(([code, name]) => ({ code, name }))
})
type Row = (typeof rows.value)[number]
type Found = Row['items'][number]['found']
const SIGN: Record<Found, string> = { within: '✓', outside: '✕', unknown: '?', not_flown: '·' }
const SAID: Record<Found, string> = {
  within: say('record.within'),
  outside: say('record.not-within'),
  unknown: say('common.not-known'),
  not_flown: say('common.not-flown'),
}
const TONE: Record<Found, string> = {
  within: 'text-pass-ink',
  outside: 'text-fail-ink',
  unknown: 'text-soft',
  not_flown: 'text-soft',
}
const found = (row: Row, code: string) => row.items.find((one) => one.code === code)?.found ?? null
const shown = computed(() => rows.value.find((one) => one.id === chosen.value) ?? rows.value[0])
</script>

<template>
  <section v-if="shown?.items.length" class="panel space-y-2" aria-labelledby="examined">
    <div class="flex flex-wrap items-center gap-3">
      <h2 id="examined" class="flex-1 text-lg font-bold">
        {{ isMockTest ? say('record.mock-test-as-an-examiner') : say('record.by-every-standard') }}
      </h2>
      <button type="button" class="button" :aria-expanded="opened" @click="opened = !opened">
        {{ opened ? say('common.less') : say('record.task-by-task') }}
      </button>
      <a class="underline" :href="`/api/sorties/${sortieId}/examined.pdf?standard_id=${shown.id}`">{{
        say('common.pdf')
      }}</a>
    </div>
    <div class="overflow-x-auto" tabindex="0">
      <table class="w-full text-left text-sm">
        <thead>
          <tr class="border-b border-line align-bottom text-soft">
            <th class="py-1 pr-3">{{ say('common.standard') }}</th>
            <th v-for="task in tasks" :key="task.code" class="px-1 text-center">{{ task.name }}</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="row in rows"
            :key="row.id"
            class="border-b border-line"
            :class="row.id === shown.id ? 'bg-raised' : ''"
          >
            <td class="py-1 pr-3">
              <button
                type="button"
                class="min-h-11 text-left underline"
                :class="row.id === shown.id ? 'font-bold' : ''"
                :aria-pressed="row.id === shown.id"
                @click="((chosen = row.id), (opened = true))"
              >
                {{ row.name }}
              </button>
              <span v-if="row.id === standardId" class="text-soft"> {{ ' ' + say('record.flown-under') }}</span>
            </td>
            <td v-for="task in tasks" :key="task.code" class="px-1 text-center">
              <template v-if="found(row, task.code)">
                <b :class="TONE[found(row, task.code)!]" aria-hidden="true">{{ SIGN[found(row, task.code)!] }}</b>
                <span class="block text-xs text-soft">{{ SAID[found(row, task.code)!] }}</span>
              </template>
              <span v-else class="text-xs text-soft">{{ say('record.no-task') }}</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <template v-if="opened">
      <p v-for="line in shown.words" :key="line" class="font-bold">{{ line }}</p>
      <dl class="grid gap-x-4 gap-y-1 sm:grid-cols-[14rem_1fr]">
        <template v-for="item in shown.items" :key="item.code">
          <dt>
            <b :class="TONE[item.found]">{{ SIGN[item.found] }} {{ item.name }}</b>
          </dt>
          <dd>
            <p v-for="line in item.words" :key="line">{{ line }}</p>
          </dd>
        </template>
      </dl>
      <p class="text-sm text-soft">{{ shown.name }}, {{ shown.edition }}; {{ shown.source }}.</p>
    </template>
  </section>
</template>
