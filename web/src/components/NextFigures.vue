<script setup lang="ts">
/** What the next lap is flown by, read in two seconds; without figures for it, that, and what to fly by instead. */
import { say } from '@/said'
import type { Brief, Plan } from '@/api/types'
import Cautions from '@/components/Cautions.vue'
import Figure from '@/components/Figure.vue'
import { goAroundWords, percent, round } from '@/words'

defineProps<{
  figures: Brief | null
  night: NonNullable<Plan['night']> | null
  aimLabel: string
  isFromDevice: boolean
  isAsking: boolean
}>()
</script>

<template>
  <div v-if="isAsking" class="grid grid-cols-[1.2fr_0.9fr_1.2fr] gap-1.5 sm:gap-2" role="status">
    <Figure :label="aimLabel" value="…" note="The server is asked for this lap." />
    <Figure :label="say('common.fly')" value="…" />
    <Figure :label="say('parts.go-around-by')" value="…" />
  </div>
  <section v-else-if="!figures" class="panel" role="status">
    <p class="text-lg font-bold">{{ say('parts.no-aim-point-speed-or') }}</p>
    <p>
      {{ say('parts.there-is-no-connection-and') }}
    </p>
  </section>
  <template v-else>
    <div class="grid grid-cols-[1.2fr_0.9fr_1.2fr] gap-1.5 sm:gap-2 md:grid-cols-[1.6fr_1fr_1fr_1.2fr]">
      <Figure
        :label="aimLabel"
        :tone="figures.aim.aim_is_good ? 'aim' : 'fail'"
        :value="figures.aim.aim_is_good ? round(figures.aim.aim_point_ft, 10) : say('common.no-place')"
        :unit="figures.aim.aim_is_good ? 'ft' : ''"
        :note="
          !figures.aim.aim_is_good
            ? say('common.not-to-be-flown-see')
            : isFromDevice
              ? say('parts.calculated-on-this-device')
              : figures.aim.aim_before_spot_words
        "
      />
      <Figure :label="say('common.fly')" :value="round(figures.speed.approach_speed_kias)" unit="KIAS" />
      <Figure
        class="hidden md:block"
        :label="say('parts.chance-to-hit')"
        :value="figures.aim.aim_is_good ? percent(figures.aim.hit_chance) : '–'"
        :note="
          figures.aim.aim_is_good
            ? say('parts.at-the-briefed-speed', { hit_chance_if_briefed: percent(figures.aim.hit_chance_if_briefed) })
            : ''
        "
      />
      <Figure
        :label="say('parts.go-around-by')"
        tone="fail"
        :value="goAroundWords(figures.ground.go_around_point_ft)"
        :unit="figures.ground.go_around_point_ft < 0 ? '' : 'ft'"
      />
    </div>

    <p v-if="figures.aim.aim_is_good" class="!mt-1 text-sm md:hidden">
      {{ say('parts.chance-to-hit') }} <b class="figure">{{ percent(figures.aim.hit_chance) }}</b>
      {{ say('parts.at-the-usual-speed') }} <b class="figure">{{ percent(figures.aim.hit_chance_if_briefed) }}</b>
      {{ say('parts.next-at-the-briefed-speed') }}
    </p>

    <Cautions :cautions="night ? [...figures.cautions, night] : figures.cautions" />
  </template>
</template>
