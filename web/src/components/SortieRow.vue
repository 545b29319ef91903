<script setup lang="ts">
/** One sortie in a list: who, what, where; and what can be done with it. */
import { say } from '@/said'
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import type { SortieLine } from '@/api/types'
import { day, LANDING_LABEL, windWords } from '@/words'

const props = defineProps<{ one: SortieLine; mayPlan: boolean; showsDay?: boolean }>()
const emit = defineEmits<{ copy: []; cancel: []; reinstate: []; remove: [] }>()
const hour = computed(() => props.one.planned_time?.slice(0, 5))
const state = computed(() => {
  const { cancelled_for: reason, laps } = props.one
  if (reason) return say('common.cancelled')
  return laps ? say('common.laps-counted', { laps }) : say('common.not-flown')
})
/** The wind of another hour or day is no wind: it is told where it was given for the day itself. */
const wind = computed(() =>
  props.one.weather_at === null ? say('parts.no-wind-given-yet') : say('parts.wind', { props: windWords(props.one) }),
)
</script>

<template>
  <div class="panel flex items-stretch gap-2 !p-0" :class="one.cancelled_for ? 'text-soft' : ''">
    <RouterLink
      :to="{ name: one.laps ? 'debrief' : 'landing', params: { id: one.id } }"
      class="grid min-h-16 min-w-0 flex-1 items-center gap-x-4 gap-y-0.5 rounded-lg px-4 py-2 hover:bg-paper sm:grid-cols-[4.5rem_1.3fr_1fr_1.6fr_7rem]"
    >
      <span class="figure text-lg">
        <template v-if="hour">{{ hour }}<span class="unit">UTC</span></template>
        <span v-else class="text-sm text-soft">{{ say('parts.no-hour') }}</span>
      </span>
      <span>
        <span class="block text-lg font-bold" :class="one.cancelled_for ? 'line-through' : ''">
          {{ one.student_name }}
        </span>
        <span class="text-sm text-soft">{{ say('common.with', { instructor_name: one.instructor_name }) }}</span>
      </span>
      <span>
        <span class="block font-bold">{{ LANDING_LABEL[one.landing] }}</span>
        <span class="text-sm text-soft">{{ one.standard_name }}</span>
      </span>
      <span>
        <span class="block"> {{ one.airfield }} {{ one.runway_ident }} · {{ one.aircraft_name }} </span>
        <span class="text-sm text-soft">{{
          one.cancelled_for
            ? say('parts.cancelled', { cancelled_for: one.cancelled_for })
            : `${one.airfield_is_fictional ? 'fictional; ' : ''}${wind}`
        }}</span>
      </span>
      <span class="sm:text-right">
        <span class="block font-bold">{{ state }}</span>
        <span v-if="showsDay" class="text-sm text-soft">{{ day(one.planned_on) }}</span>
      </span>
    </RouterLink>
    <Menu as="div" class="relative flex border-l border-line">
      <MenuButton
        class="min-w-14 rounded px-2 text-xl"
        :aria-label="say('parts.more-for', { student_name: one.student_name })"
        >⋯</MenuButton
      >
      <MenuItems class="panel absolute right-0 top-full z-20 w-60 !p-1 shadow-lg">
        <MenuItem v-if="mayPlan" v-slot="{ active }">
          <button type="button" class="menu-item" :class="active ? 'bg-paper' : ''" @click="emit('copy')">
            {{ say('parts.plan-the-same-again') }}
          </button>
        </MenuItem>
        <MenuItem v-if="mayPlan && !one.laps && !one.cancelled_for" v-slot="{ active }">
          <button type="button" class="menu-item" :class="active ? 'bg-paper' : ''" @click="emit('cancel')">
            {{ say('parts.cancel') }}
          </button>
        </MenuItem>
        <MenuItem v-if="mayPlan && one.cancelled_for" v-slot="{ active }">
          <button type="button" class="menu-item" :class="active ? 'bg-paper' : ''" @click="emit('reinstate')">
            {{ say('parts.fly-it-after-all') }}
          </button>
        </MenuItem>
        <MenuItem v-if="mayPlan && !one.laps" v-slot="{ active }">
          <button type="button" class="menu-item" :class="active ? 'bg-paper' : ''" @click="emit('remove')">
            {{ say('parts.take-it-away') }}
          </button>
        </MenuItem>
        <MenuItem v-slot="{ active }">
          <a :href="`/api/sorties/${one.id}/sortie.ics`" class="menu-item" :class="active ? 'bg-paper' : ''">
            {{ say('parts.for-your-calendar-ics') }}
          </a>
        </MenuItem>
      </MenuItems>
    </Menu>
  </div>
</template>
