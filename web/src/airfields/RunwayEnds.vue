<script setup lang="ts">
/** The two ends of a runway, as rows: where the pavement ends, and what is flown to each. */
import type { Runway } from '@/fields'
import { typedNumber } from '@/typed'

const runway = defineModel<Runway>({ required: true })
defineProps<{ nth: number }>()
</script>

<template>
  <div class="overflow-x-auto" tabindex="0" :aria-label="`Runway ${nth}: its ends`">
    <table class="w-full min-w-[60rem] text-left">
      <thead>
        <tr class="text-sm text-soft">
          <th>End</th>
          <th>Latitude, ° N</th>
          <th>Longitude, ° E</th>
          <th>Elev., ft</th>
          <th class="pr-2">Displaced, ft</th>
          <th>Pattern</th>
          <th>Path, °</th>
          <th class="pr-2">Obstacle, ft high</th>
          <th class="pr-2">ft before</th>
          <th>Preferred</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(end, e) in runway.ends" :key="e">
          <td class="py-1 pr-1">
            <input
              v-model="end.ident"
              class="field !w-14"
              maxlength="4"
              :aria-label="`Runway ${nth}, end ${e + 1}: ident`"
            />
          </td>
          <td class="py-1 pr-1">
            <input
              v-model.number="end.lat"
              class="field figure !w-36"
              type="number"
              step="any"
              :aria-label="`${end.ident}: latitude`"
            />
          </td>
          <td class="py-1 pr-1">
            <input
              v-model.number="end.lon"
              class="field figure !w-40"
              type="number"
              step="any"
              :aria-label="`${end.ident}: longitude`"
            />
          </td>
          <td class="py-1 pr-1">
            <input
              v-model.number="end.elevation_ft"
              class="field figure !w-20"
              type="number"
              step="any"
              :aria-label="`${end.ident}: elevation`"
            />
          </td>
          <td class="py-1 pr-1">
            <input
              v-model.number="end.displaced_threshold_ft"
              class="field figure !w-24"
              type="number"
              step="any"
              :aria-label="`${end.ident}: displaced threshold`"
            />
          </td>
          <td class="py-1 pr-1">
            <select v-model="end.pattern" class="field !w-24" :aria-label="`${end.ident}: pattern side`">
              <option value="left">left</option>
              <option value="right">right</option>
            </select>
          </td>
          <td class="py-1 pr-1">
            <input
              v-model.number="end.path_angle_deg"
              class="field figure !w-14"
              type="number"
              step="any"
              :aria-label="`${end.ident}: path angle`"
            />
          </td>
          <td class="py-1 pr-1">
            <input
              class="field figure !w-20"
              type="number"
              step="any"
              placeholder="none"
              :value="end.obstacle?.height_ft ?? ''"
              :aria-label="`${end.ident}: obstacle height`"
              @change="
                end.obstacle =
                  typedNumber($event) === null
                    ? null
                    : {
                        height_ft: typedNumber($event)!,
                        before_threshold_ft: end.obstacle?.before_threshold_ft ?? 500,
                      }
              "
            />
          </td>
          <td class="py-1 pr-1">
            <input
              class="field figure !w-20"
              type="number"
              step="any"
              :disabled="!end.obstacle"
              :value="end.obstacle?.before_threshold_ft ?? ''"
              :aria-label="`${end.ident}: obstacle before the threshold`"
              @change="end.obstacle && (end.obstacle.before_threshold_ft = typedNumber($event) ?? 0)"
            />
          </td>
          <td class="py-1">
            <input v-model="end.preferred" type="checkbox" class="h-6 w-6" :aria-label="`${end.ident}: preferred`" />
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
