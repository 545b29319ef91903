<script setup lang="ts">
/** What the next lap is flown by, read in two seconds; without figures for it, that, and what to fly by instead. */
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
    <Figure label="Fly" value="…" />
    <Figure label="Go around by" value="…" />
  </div>
  <section v-else-if="!figures" class="panel" role="status">
    <p class="text-lg font-bold">No aim point, speed or chance is known here for this lap.</p>
    <p>
      There is no connection, and this sortie was not taken along. Fly by the printed card, or as the instructor says.
      All that you note is kept on this device, and sent when the connection is back.
    </p>
  </section>
  <template v-else>
    <div class="grid grid-cols-[1.2fr_0.9fr_1.2fr] gap-1.5 sm:gap-2 md:grid-cols-[1.6fr_1fr_1fr_1.2fr]">
      <Figure
        :label="aimLabel"
        :tone="figures.aim.aim_is_good ? 'aim' : 'fail'"
        :value="figures.aim.aim_is_good ? round(figures.aim.aim_point_ft, 10) : '✕ none'"
        :unit="figures.aim.aim_is_good ? 'ft' : ''"
        :note="
          !figures.aim.aim_is_good
            ? 'not to be flown: see the cautions'
            : isFromDevice
              ? 'calculated on this device'
              : figures.aim.aim_before_spot_words
        "
      />
      <Figure label="Fly" :value="round(figures.speed.approach_speed_kias)" unit="KIAS" />
      <Figure
        class="hidden md:block"
        label="Chance to hit"
        :value="figures.aim.aim_is_good ? percent(figures.aim.hit_chance) : '–'"
        :note="figures.aim.aim_is_good ? `${percent(figures.aim.hit_chance_if_briefed)} at the briefed speed` : ''"
      />
      <Figure
        label="Go around by"
        tone="fail"
        :value="goAroundWords(figures.ground.go_around_point_ft)"
        :unit="figures.ground.go_around_point_ft < 0 ? '' : 'ft'"
      />
    </div>

    <p v-if="figures.aim.aim_is_good" class="!mt-1 text-sm md:hidden">
      Chance to hit <b class="figure">{{ percent(figures.aim.hit_chance) }}</b> at the usual speed,
      <b class="figure">{{ percent(figures.aim.hit_chance_if_briefed) }}</b> at the briefed speed
    </p>

    <Cautions :cautions="night ? [...figures.cautions, night] : figures.cautions" />
  </template>
</template>
