/** The brief with changes, and what was wrong with them; see `useLatest`. */
import { shallowRef } from 'vue'
import type { BriefChanges, BriefOut } from '@/api/types'
import { useLatest } from './useLatest'

export function useWhatIf(ask: (changes: Partial<BriefChanges>) => Promise<BriefOut>) {
  const answer = shallowRef<BriefOut | null>(null)
  const { fields, problem, ask: change, clear } = useLatest(ask, (found) => (answer.value = found))
  function forget() {
    answer.value = null
    clear()
  }
  return { answer, fields, problem, change, forget }
}
