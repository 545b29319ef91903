<script setup lang="ts">
/** Always true and always in sight: how many laps are only on this device, and what stands in their way. */
import { say } from '@/said'
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
const laps = computed(() => say('parts.lap-only-on-this-device', { count: count.value }))
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
    :aria-label="say('parts.this-device')"
  >
    <span v-if="away" class="font-bold">{{ say('parts.no-connection') }}</span>
    <span v-if="ended && !away" class="font-bold">{{ say('parts.your-sign-in-has-ended') }}</span>
    <span v-if="count"
      >{{ laps }}<template v-if="sync.state === 'sending'">{{ say('parts.sending') }}</template
      >.</span
    >
    <span v-else-if="away">{{ say('parts.what-you-record-is-kept') }}</span>
    <span v-if="sync.pieces">{{ say('parts.piece-of-track-waiting', { pieces: sync.pieces }) }}</span>
    <span v-if="foreign" class="font-bold">{{ say('parts.some-were-recorded-by-who', { foreign }) }}</span>
    <span v-for="one in sync.refused" :key="one.lap_id" role="alert" class="font-bold">
      {{ say('parts.refused', { refused: one.refused }) }}
      <RouterLink class="underline" :to="{ name: 'laps', params: { id: one.sortie_id } }">{{
        say('parts.look')
      }}</RouterLink>
    </span>
    <span v-if="sync.refusedPieces.length" role="alert" class="font-bold">
      {{
        say('parts.piece-of-track-refused', {
          refused_pieces: sync.refusedPieces.length,
          refused: sync.refusedPieces[0]!.refused,
        })
      }}
      <button type="button" class="min-h-11 underline" @click="sync.piecesOnceMore()">
        {{ say('common.send-again') }}
      </button>
      <button type="button" class="min-h-11 underline" @click="sync.dropRefusedPieces()">
        {{ say('parts.drop') }}
      </button>
    </span>
    <span class="flex-1" />
    <RouterLink v-if="ended && !away" class="button" :to="{ name: 'sign-in', query: { next: route.fullPath } }">
      {{ say('parts.sign-in-to-send') }}
    </RouterLink>
    <button v-if="count || sync.pieces" type="button" class="min-h-11 underline" @click="sync.soon()">
      {{ say('parts.send-now') }}
    </button>
    <button
      v-if="count || sync.refused.length || sync.pieces || sync.refusedPieces.length"
      type="button"
      class="min-h-11 underline"
      @click="exportAll"
    >
      {{ say('parts.export-as-a-file') }}
    </button>
  </div>
</template>
