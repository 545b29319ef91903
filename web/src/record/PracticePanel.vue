<script setup lang="ts">
/** What a student practised on the ground. */
import { say } from '@/said'
import { useQuery } from '@tanstack/vue-query'
import { RouterLink } from 'vue-router'
import { api } from '@/api/calls'
import PracticeLines from '@/practise/PracticeLines.vue'

const props = defineProps<{ studentId: number }>()
const lines = useQuery({ queryKey: ['practice', props.studentId], queryFn: () => api.practice(props.studentId) })
</script>

<template>
  <section class="panel" aria-labelledby="practice">
    <h2 id="practice" class="text-lg font-bold">{{ say('practice.practice') }}</h2>
    <PracticeLines :lines="(lines.data.value?.practised ?? []).slice(0, 6)" />
    <RouterLink to="/practice" class="inline-flex min-h-11 items-center underline">{{
      say('common.practice')
    }}</RouterLink>
  </section>
</template>
