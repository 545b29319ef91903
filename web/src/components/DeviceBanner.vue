<script setup lang="ts">
/** Always true and always in sight: how many laps are only on this device, and what stands in their way. */
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import type { Session } from '@/api/types'
import { link } from '@/offline/link'
import { useSync } from '@/offline/sync'
import { saveFile } from '@/files'

const props = defineProps<{ session: Session | undefined }>()
const route = useRoute()
const sync = useSync()
const count = computed(() => sync.lapsHere)
const laps = computed(() => `${count.value} lap${count.value === 1 ? ' is' : 's are'} only on this device`)
const ended = computed(() => sync.state === 'sign_in' || (props.session?.is_kept === true && link.reached.value))
const away = computed(() => !link.reached.value)
const foreign = computed(() => [...new Set(sync.ofOthers.map((one) => one.person_name))].filter(Boolean).join(', '))
const isShown = computed(
  () =>
    count.value > 0 ||
    sync.refused.length > 0 ||
    ended.value ||
    away.value ||
    sync.pieces + sync.refusedPieces.length > 0,
)
async function exportAll() {
  saveFile(await sync.asFile(), `bullseye-waiting-${new Date().toISOString().slice(0, 10)}.json`)
}
</script>

<template>
  <div
    v-if="isShown"
    class="print:hidden flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-line bg-warn-wash px-3 py-1 sm:px-4"
    role="status"
    aria-label="This device"
  >
    <span v-if="away" class="font-bold">▲ No connection.</span>
    <span v-if="ended && !away" class="font-bold">▲ Your sign-in has ended.</span>
    <span v-if="count">{{ laps }}<template v-if="sync.state === 'sending'">; sending</template>.</span>
    <span v-else-if="away">What you record is kept on this device.</span>
    <span v-if="sync.pieces">{{ sync.pieces }} piece{{ sync.pieces === 1 ? '' : 's' }} of track waiting.</span>
    <span v-if="foreign" class="font-bold">Some were recorded by {{ foreign }}, who must sign in to send them.</span>
    <span v-for="one in sync.refused" :key="one.lap_id" role="alert" class="font-bold">
      Refused: {{ one.refused }}
      <RouterLink class="underline" :to="{ name: 'laps', params: { id: one.sortie_id } }">Look</RouterLink>
    </span>
    <span v-if="sync.refusedPieces.length" role="alert" class="font-bold">
      {{ sync.refusedPieces.length }} piece{{ sync.refusedPieces.length === 1 ? '' : 's' }} of track refused:
      {{ sync.refusedPieces[0]!.refused }}
      <button type="button" class="min-h-11 underline" @click="sync.piecesOnceMore()">Send again</button>
      <button type="button" class="min-h-11 underline" @click="sync.dropRefusedPieces()">Drop</button>
    </span>
    <span class="flex-1" />
    <RouterLink v-if="ended && !away" class="button" :to="{ name: 'sign-in', query: { next: route.fullPath } }">
      Sign in to send
    </RouterLink>
    <button v-if="count || sync.pieces" type="button" class="min-h-11 underline" @click="sync.soon()">Send now</button>
    <button
      v-if="count || sync.refused.length || sync.pieces || sync.refusedPieces.length"
      type="button"
      class="min-h-11 underline"
      @click="exportAll"
    >
      Export as a file
    </button>
  </div>
</template>
