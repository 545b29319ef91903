<script setup lang="ts">
/** The flap settings: stall, approach speeds, path, and indicated against calibrated airspeed. */
import { say } from '@/said'
import { reactive } from 'vue'
import type { AircraftSpec } from '@/api/types'

const draft = defineModel<AircraftSpec>({ required: true })
defineProps<{ mayChange: boolean }>()
const FIGURES = [
  ['normal_approach_kias', say('hangar.normal-kias')],
  ['short_field_approach_kias', say('common.short-field')],
  ['power_off_approach_kias', say('hangar.power-off')],
  ['idle_path_angle_deg', say('hangar.glide-angle')],
  ['limit_kias', say('hangar.limit-kias')],
] as const
const picked = (event: Event) => (event.target as HTMLInputElement | HTMLSelectElement).value
/** Pairs of indicated and calibrated airspeed as text, one pair a line, as a handbook prints them. */
const pairs = (flap: AircraftSpec['flaps'][number]) =>
  flap.airspeed_table.ias_kt.map((ias, i) => `${ias} ${flap.airspeed_table.cas_kt[i] ?? ''}`).join('\n')
const pairProblem = reactive<Record<number, string>>({})
function setPairs(flap: AircraftSpec['flaps'][number], index: number, text: string) {
  const rows = text
    .split('\n')
    .map((row) => row.trim().split(/[\s;]+/))
    .filter((row) => row[0])
  const bad = rows.findIndex(
    (row) => row.length !== 2 || row.some((cell) => !Number.isFinite(Number(cell.replace(',', '.')))),
  )
  pairProblem[index] = bad < 0 ? '' : say('hangar.line-two-numbers-indicated-and', { bad: bad + 1 })
  if (bad >= 0) return
  const numbers = rows.map((row) => row.map((cell) => Number(cell.replace(',', '.'))))
  flap.airspeed_table = { ias_kt: numbers.map((row) => row[0]!), cas_kt: numbers.map((row) => row[1]!) }
}
function addFlap() {
  const flaps = draft.value.flaps
  const last = flaps.at(-1)
  if (last) flaps.push({ ...JSON.parse(JSON.stringify(last)), name: `${last.name} +` })
}
</script>

<template>
  <section class="panel space-y-3 xl:col-span-2" :aria-label="say('hangar.flap-settings')">
    <h3 class="font-bold">{{ say('hangar.flap-settings-from-up-to') }}</h3>
    <div class="overflow-x-auto" tabindex="0" :aria-label="say('hangar.flap-settings-table')">
      <table class="w-full min-w-[56rem] text-left">
        <thead>
          <tr class="text-sm text-soft">
            <th>{{ say('common.name') }}</th>
            <th>{{ say('hangar.stall-kcas') }}</th>
            <th v-for="[field, heading] in FIGURES" :key="field">{{ heading }}</th>
            <th>{{ say('hangar.aim-in-the-windscreen') }}</th>
            <th>{{ say('hangar.ias-cas-pairs-one-a') }}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          <tr v-for="(flap, i) in draft.flaps" :key="i" class="align-top">
            <td class="py-1 pr-2">
              <input
                v-model="flap.name"
                class="field"
                maxlength="80"
                :aria-label="say('hangar.flap-name', { i: i + 1 })"
              />
            </td>
            <td class="py-1 pr-2">
              <input
                v-model.number="flap.stall_kcas"
                class="field figure"
                type="number"
                step="any"
                :aria-label="say('hangar.flap-stall', { i: i + 1 })"
              />
            </td>
            <td v-for="[field, heading] in FIGURES" :key="field" class="py-1 pr-2">
              <input
                class="field figure"
                type="number"
                step="any"
                :aria-label="say('hangar.flap', { i: i + 1, heading })"
                :value="flap[field] ?? ''"
                placeholder="–"
                @change="
                  flap[field] =
                    ($event.target as HTMLInputElement).value === ''
                      ? null
                      : Number(($event.target as HTMLInputElement).value)
                "
              />
            </td>
            <td class="py-1 pr-2">
              <input
                class="field"
                maxlength="80"
                :placeholder="say('hangar.a-fist-above-the-coaming')"
                :aria-label="say('hangar.flap-aim-point-in-the', { i: i + 1 })"
                :value="flap.windscreen_mark ?? ''"
                @change="flap.windscreen_mark = picked($event) || null"
              />
            </td>
            <td class="py-1 pr-2">
              <textarea
                class="field figure !text-sm"
                rows="3"
                :aria-label="say('hangar.flap-ias-cas-pairs', { i: i + 1 })"
                :value="pairs(flap)"
                @change="setPairs(flap, i, ($event.target as HTMLTextAreaElement).value)"
              />
              <p v-if="pairProblem[i]" role="alert" class="text-sm font-bold text-fail-ink">
                {{ pairProblem[i] }}
              </p>
            </td>
            <td class="py-1">
              <button
                type="button"
                class="button !px-3"
                :disabled="draft.flaps.length < 2"
                :aria-label="say('hangar.remove-flap', { i: i + 1 })"
                @click="draft.flaps.splice(i, 1)"
              >
                ×
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <button v-if="mayChange" type="button" class="button" :disabled="draft.flaps.length >= 8" @click="addFlap">
      {{ say('hangar.another-setting') }}
    </button>
  </section>
</template>
