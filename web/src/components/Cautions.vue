<script setup lang="ts">
/** Cautions beside the numbers they are about: gravest first, three open, the rest folded. */
import { say } from '@/said'
import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/vue'
import { computed } from 'vue'
import type { Caution } from '@/api/types'
import { SEVERITY_SIGN as SIGN } from '@/words'

const props = defineProps<{ cautions: readonly (Caution | string)[] }>()
const OPEN = 3
const all = computed(() =>
  props.cautions.map((one): Caution =>
    typeof one === 'string' ? { severity: 'mind', words: one, alone_only: false } : one,
  ),
)
const first = computed(() => all.value.slice(0, OPEN))
const more = computed(() => all.value.slice(OPEN))
const isGrave = computed(() => all.value.some((one) => one.severity === 'stop'))
</script>

<template>
  <div
    v-if="all.length"
    class="rounded-lg border-l-4 px-3 py-2 font-bold"
    :class="isGrave ? 'border-fail bg-fail-wash' : 'border-warn bg-warn-wash'"
    role="group"
    :aria-label="say('parts.cautions')"
  >
    <ul class="space-y-1">
      <li v-for="one in first" :key="one.words" :class="one.severity === 'stop' ? 'text-fail-ink' : ''">
        <span aria-hidden="true">{{ SIGN[one.severity] }}&nbsp;</span
        ><span v-if="one.severity === 'stop'" class="sr-only">{{ say('parts.do-not-fly-this') + ' ' }} </span
        >{{ one.words }}
      </li>
    </ul>
    <Disclosure v-if="more.length">
      <DisclosureButton class="mt-1 min-h-11 underline">{{
        say('parts.more', { more: more.length })
      }}</DisclosureButton>
      <DisclosurePanel as="ul" class="space-y-1">
        <li v-for="one in more" :key="one.words" :class="one.severity === 'stop' ? 'text-fail-ink' : ''">
          <span aria-hidden="true">{{ SIGN[one.severity] }}&nbsp;</span>{{ one.words }}
        </li>
      </DisclosurePanel>
    </Disclosure>
  </div>
</template>
