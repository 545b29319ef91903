<script setup lang="ts">
/** A month of days, each with how many sorties it has; a tap opens the day. */
import { locale, say } from '@/said'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { daysQuery } from '@/api/queries'
import { daysFrom, today } from '@/words'

const props = defineProps<{ chosen: string }>()
const emit = defineEmits<{ choose: [day: string] }>()
const month = ref(props.chosen.slice(0, 7))
watch(
  () => props.chosen,
  (day) => (month.value = day.slice(0, 7)),
)
const first = computed(() => `${month.value}-01`)
/** Six weeks from the Monday before the first, so that the grid never jumps. */
const start = computed(() => {
  const weekday = (new Date(`${first.value}T00:00:00Z`).getUTCDay() + 6) % 7
  return daysFrom(first.value, -weekday)
})
const days = computed(() => Array.from({ length: 42 }, (_, k) => daysFrom(start.value, k)))
const counts = useQuery(
  computed(() => ({ ...daysQuery(days.value[0]!, days.value[41]!), placeholderData: keepPreviousData })),
)
const byDay = computed(() => new Map((counts.data.value?.days ?? []).map((one) => [one.planned_on, one])))
const title = computed(() =>
  new Intl.DateTimeFormat(locale(), { month: 'long', year: 'numeric', timeZone: 'UTC' }).format(
    new Date(`${first.value}T00:00:00Z`),
  ),
)
function move(by: number) {
  const [year = 2000, number = 1] = month.value.split('-').map(Number)
  month.value = new Date(Date.UTC(year, number - 1 + by, 1)).toISOString().slice(0, 7)
}
function words(day: string): string {
  const one = byDay.value.get(day)
  if (!one) return say('common.nothing')
  return [
    [one.planned, say('common.planned')],
    [one.flown, say('common.flown')],
    [one.cancelled, say('common.cancelled')],
  ]
    .filter(([count]) => count)
    .map(([count, what]) => `${count} ${what}`)
    .join(', ')
}
</script>

<template>
  <section class="panel" :aria-label="say('parts.calendar')">
    <div class="flex items-center gap-2">
      <button type="button" class="button !px-3" :aria-label="say('parts.month-before')" @click="move(-1)">‹</button>
      <h2 class="flex-1 text-center font-bold" aria-live="polite">{{ title }}</h2>
      <button type="button" class="button !px-3" :aria-label="say('parts.month-after')" @click="move(1)">›</button>
    </div>
    <div class="mt-2 grid grid-cols-7 gap-0.5 text-center">
      <span
        v-for="name in [
          say('parts.mo'),
          say('parts.tu'),
          say('parts.we'),
          say('parts.th'),
          say('parts.fr'),
          say('parts.sa'),
          say('parts.su'),
        ]"
        :key="name"
        class="text-sm text-soft"
      >
        {{ name }}
      </span>
      <button
        v-for="one in days"
        :key="one"
        type="button"
        class="flex min-h-12 flex-col items-center justify-center rounded leading-tight"
        :class="[
          one === chosen ? 'bg-ink text-paper' : one === today() ? 'border-2 border-ink' : 'hover:bg-paper',
          one.slice(0, 7) === month ? '' : 'text-soft',
        ]"
        :aria-current="one === chosen ? 'date' : undefined"
        @click="emit('choose', one)"
      >
        <span>{{ Number(one.slice(8)) }}</span>
        <span class="sr-only">{{ one.slice(0, 7) }}: {{ words(one) }}</span>
        <span class="figure text-xs" aria-hidden="true">
          <template v-if="byDay.get(one)?.flown">◆{{ byDay.get(one)?.flown }}</template>
          <template v-if="byDay.get(one)?.planned">◇{{ byDay.get(one)?.planned }}</template>
          <template v-if="!byDay.get(one)?.flown && !byDay.get(one)?.planned">{{
            byDay.get(one)?.cancelled ? '×' : '\u00a0'
          }}</template>
        </span>
      </button>
    </div>
    <p class="mt-1 text-sm text-soft">{{ say('parts.flown-planned-cancelled') }}</p>
  </section>
</template>
