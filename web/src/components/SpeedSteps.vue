<script setup lang="ts">
/** How the approach speed comes about; unfolded on demand. */
import { say } from '@/said'
import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/vue'
import type { Brief } from '@/api/types'
import { fixed } from '@/words'

defineProps<{ brief: Brief }>()
const NAME: Record<Brief['speed']['approach_speed_steps'][number]['step'], string> = {
  base: say('common.base'),
  weight: say('common.weight'),
  wheels: say('common.wheel-landing'),
  gust: say('common.gust'),
  result: say('common.fly'),
}
const change = (kt: number) => (Math.abs(kt) < 0.05 ? '±0' : `${kt > 0 ? '+' : '−'}${fixed(Math.abs(kt), 1)}`)
</script>

<template>
  <Disclosure v-slot="{ open }">
    <DisclosureButton class="flex min-h-11 w-full items-center justify-between text-left font-bold">
      <span>{{ say('parts.speed-step-by-step') }}</span><span aria-hidden="true">{{ open ? '−' : '+' }}</span>
    </DisclosureButton>
    <DisclosurePanel>
      <ol class="space-y-1.5">
        <li
          v-for="step in brief.speed.approach_speed_steps"
          :key="step.step"
          class="grid grid-cols-[4rem_4rem_1fr] gap-x-2"
          :class="step.step === 'result' ? 'border-t border-line pt-1.5 font-bold' : ''"
        >
          <span>{{ NAME[step.step] }}</span>
          <span class="figure text-right">
            {{ step.step === 'base' || step.step === 'result' ? fixed(step.speed_kias, 1) : change(step.change_kt) }}
          </span>
          <span class="text-sm font-normal"
            >{{ step.reason }} <span class="text-soft">({{ step.source }})</span></span
          >
        </li>
      </ol>
      <p class="mt-2 text-sm text-soft">
        {{
          say('parts.knots-indicated-wheels-meet-the', {
            touchdown_speed_kias: fixed(brief.speed.touchdown_speed_kias, 0),
          })
        }}
      </p>
    </DisclosurePanel>
  </Disclosure>
</template>
