/**
 * Ask the server for the brief with changes, always with the latest ones: while one answer is awaited only the newest
 * question is kept, so that dragging never queues up.
 */
import { ref, shallowRef } from 'vue'
import { ApiError } from '@/api/client'
import type { BriefChanges, BriefOut } from '@/api/types'

export function useWhatIf(ask: (changes: Partial<BriefChanges>) => Promise<BriefOut>) {
  const answer = shallowRef<BriefOut | null>(null)
  const fields = ref<Record<string, string>>({})
  const problem = ref('')
  let running = false
  let next: Partial<BriefChanges> | null = null

  async function change(changes: Partial<BriefChanges>) {
    next = changes
    if (running) return
    running = true
    while (next) {
      const asked = next
      next = null
      try {
        answer.value = await ask(asked)
        fields.value = {}
        problem.value = ''
      } catch (error) {
        fields.value = error instanceof ApiError ? error.fields : {}
        problem.value = error instanceof Error ? error.message : 'The brief could not be worked out.'
      }
    }
    running = false
  }
  return { answer, fields, problem, change }
}
