<script setup lang="ts">
/** The two ends of a runway, as rows: where the pavement ends, and what is flown to each. */
import { say } from '@/said'
import type { Runway } from '@/fields'
import { typedNumber } from '@/typed'

const runway = defineModel<Runway>({ required: true })
defineProps<{ nth: number }>()
</script>

<template>
  <div class="overflow-x-auto" tabindex="0" :aria-label="say('fields.runway-its-ends', { nth })">
    <table class="w-full min-w-[60rem] text-left">
      <thead>
        <tr class="text-sm text-soft">
          <th>{{ say('fields.end') }}</th>
          <th>{{ say('fields.latitude-n') }}</th>
          <th>{{ say('fields.longitude-e') }}</th>
          <th>{{ say('fields.elev-ft') }}</th>
          <th class="pr-2">{{ say('fields.displaced-ft') }}</th>
          <th>{{ say('common.pattern') }}</th>
          <th>{{ say('fields.path') }}</th>
          <th class="pr-2">{{ say('fields.obstacle-ft-high') }}</th>
          <th class="pr-2">{{ say('fields.ft-before') }}</th>
          <th>{{ say('fields.preferred') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(end, e) in runway.ends" :key="e">
          <td class="py-1 pr-1">
            <input
              v-model="end.ident"
              class="field !w-14"
              maxlength="4"
              :aria-label="say('fields.runway-end-ident', { nth, e: e + 1 })"
            />
          </td>
          <td class="py-1 pr-1">
            <input
              v-model.number="end.lat"
              class="field figure !w-36"
              type="number"
              step="any"
              :aria-label="say('fields.latitude', { ident: end.ident })"
            />
          </td>
          <td class="py-1 pr-1">
            <input
              v-model.number="end.lon"
              class="field figure !w-40"
              type="number"
              step="any"
              :aria-label="say('fields.longitude', { ident: end.ident })"
            />
          </td>
          <td class="py-1 pr-1">
            <input
              v-model.number="end.elevation_ft"
              class="field figure !w-20"
              type="number"
              step="any"
              :aria-label="say('fields.elevation', { ident: end.ident })"
            />
          </td>
          <td class="py-1 pr-1">
            <input
              v-model.number="end.displaced_threshold_ft"
              class="field figure !w-24"
              type="number"
              step="any"
              :aria-label="say('fields.displaced-threshold', { ident: end.ident })"
            />
          </td>
          <td class="py-1 pr-1">
            <select
              v-model="end.pattern"
              class="field !w-24"
              :aria-label="say('fields.pattern-side', { ident: end.ident })"
            >
              <option value="left">{{ say('common.left') }}</option>
              <option value="right">{{ say('common.right') }}</option>
            </select>
          </td>
          <td class="py-1 pr-1">
            <input
              v-model.number="end.path_angle_deg"
              class="field figure !w-14"
              type="number"
              step="any"
              :aria-label="say('fields.path-angle', { ident: end.ident })"
            />
          </td>
          <td class="py-1 pr-1">
            <input
              class="field figure !w-20"
              type="number"
              step="any"
              :placeholder="say('common.none')"
              :value="end.obstacle?.height_ft ?? ''"
              :aria-label="say('fields.obstacle-height', { ident: end.ident })"
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
              :aria-label="say('fields.obstacle-before-the-threshold', { ident: end.ident })"
              @change="end.obstacle && (end.obstacle.before_threshold_ft = typedNumber($event) ?? 0)"
            />
          </td>
          <td class="py-1">
            <input
              v-model="end.preferred"
              type="checkbox"
              class="h-6 w-6"
              :aria-label="say('fields.end-preferred', { ident: end.ident })"
            />
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
