<script setup lang="ts">
/** When the school was last backed up; loud when that is too long ago. */
import { locale, say } from '@/said'
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { backupQuery } from '@/api/queries'

const { data } = useQuery(backupQuery)
const made = computed(() =>
  data.value?.made_at
    ? new Date(data.value.made_at).toLocaleString(locale(), {
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
    <template v-if="made">{{ say('parts.the-last-backup-of-the', { made }) }}</template>
    <template v-else>{{ say('parts.the-school-has-never-been') }}</template>
    {{ say('parts.ask-whoever-runs-the-server') }}
  </p>
  <p v-else-if="data?.is_seen" class="text-sm text-soft">
    {{ say('parts.last-backed-up-on-the', { made, kept: data.kept }) }}
  </p>
  <p v-else-if="data" class="text-sm text-soft">
    {{ say('parts.this-server-does-not-see') }}
  </p>
</template>
