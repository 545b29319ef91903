<script setup lang="ts">
/** When the school was last backed up; loud when that is too long ago. */
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { backupQuery } from '@/api/queries'

const { data } = useQuery(backupQuery)
const made = computed(() =>
  data.value?.made_at
    ? new Date(data.value.made_at).toLocaleString('en-GB', {
        day: 'numeric',
        month: 'long',
        hour: '2-digit',
        minute: '2-digit',
      })
    : '',
)
</script>

<template>
  <p v-if="data?.is_old" role="alert" class="panel font-bold text-fail-ink">
    <template v-if="made">The last backup of the school was made on {{ made }}: one a day is missing.</template>
    <template v-else>The school has never been backed up.</template>
    Ask whoever runs the server to look why, and to type ./bullseye backup.
  </p>
  <p v-else-if="data?.is_seen" class="text-sm text-soft">
    Last backed up on {{ made }}; the newest {{ data.kept }} are kept.
  </p>
  <p v-else-if="data" class="text-sm text-soft">
    This server does not see any backups being made: whoever runs it knows where they are.
  </p>
</template>
