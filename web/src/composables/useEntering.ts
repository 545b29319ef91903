/** Send a form that ends in being signed in; what was wrong is kept by field. */
import { say } from '@/said'
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { ApiError } from '@/api/client'
import { sessionQuery } from '@/api/queries'
import type { Session } from '@/api/types'

export function useEntering() {
  const client = useQueryClient()
  const router = useRouter()
  const fields = ref<Record<string, string>>({})
  const problem = ref('')
  const busy = ref(false)
  async function enter(call: () => Promise<Session>) {
    busy.value = true
    fields.value = {}
    problem.value = ''
    try {
      client.setQueryData(sessionQuery.queryKey, await call())
      await router.replace('/')
    } catch (error) {
      if (error instanceof ApiError) fields.value = error.fields
      problem.value = error instanceof Error ? error.message : say('parts.that-did-not-work')
    }
    busy.value = false
  }
  return { fields, problem, busy, enter }
}
