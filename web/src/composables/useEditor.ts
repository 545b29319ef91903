/** Editing one thing of the school: a draft that nothing loses, fields that were refused, and undo. */
import { useQueryClient } from '@tanstack/vue-query'
import { ref, type Ref } from 'vue'
import { ApiError } from '@/api/client'
import { api, type Kept } from '@/api/queries'
import { useUndo } from '@/stores/undo'

export function useEditor<T>(what: Kept) {
  const client = useQueryClient()
  const undo = useUndo()
  const draft = ref(null) as Ref<T | null>
  const id = ref<number | null>(null)
  const fields = ref<Record<string, string>>({})
  const problem = ref('')
  const saved = ref('')

  const refresh = () => Promise.all([client.invalidateQueries()])
  function open(value: T, row: number | null) {
    draft.value = JSON.parse(JSON.stringify(value)) as T
    id.value = row
    fields.value = {}
    problem.value = ''
    saved.value = ''
  }
  function close() {
    draft.value = null
    id.value = null
  }
  async function attempt(call: () => Promise<unknown>, done: string) {
    fields.value = {}
    problem.value = ''
    saved.value = ''
    try {
      const answer = await call()
      saved.value = done
      await refresh()
      return answer
    } catch (error) {
      fields.value = error instanceof ApiError ? error.fields : {}
      problem.value = error instanceof Error ? error.message : 'Not kept.'
      return undefined
    }
  }
  /** Keep the draft; `before` is what an undo writes back. */
  async function keep(name: string, write: (row: number | null) => Promise<{ id: number }>, restore: (() => Promise<unknown>) | null) {
    const row = id.value
    const answer = (await attempt(() => write(row), `${name} is kept.`)) as { id: number } | undefined
    if (!answer) return
    id.value = answer.id
    undo.done(`change of ${name}`, async () => {
      await (restore ? restore() : api.takeOutOfUse(what, answer.id))
      close()
      await refresh()
    })
  }
  async function remove(name: string, row: number) {
    await attempt(() => api.takeOutOfUse(what, row), `${name} is no longer offered; past sorties keep it.`)
    if (problem.value) return
    if (id.value === row) close()
    undo.done(`taking ${name} out of use`, async () => {
      await api.bringBack(what, row)
      await refresh()
    })
  }
  return { draft, id, fields, problem, saved, open, close, keep, remove, attempt }
}
