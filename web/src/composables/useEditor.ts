/** Editing one thing of the school: a draft that nothing loses, fields that were refused, and undo. */
import { useQueryClient } from '@tanstack/vue-query'
import { ref, type Ref } from 'vue'
import { api, type Kept } from '@/api/queries'
import { useWrite } from './useWrite'

export function useEditor<T>(what: Kept) {
  const client = useQueryClient()
  const draft = ref(null) as Ref<T | null>
  const id = ref<number | null>(null)
  const saved = ref('')
  const { write, fields, problem, clear } = useWrite({ refresh: () => client.invalidateQueries() })

  function open(value: T, row: number | null) {
    draft.value = JSON.parse(JSON.stringify(value)) as T
    id.value = row
    clear()
    saved.value = ''
  }
  function close() {
    draft.value = null
    id.value = null
  }
  /** Write without a step of undo; what the server answered, or undefined when it was refused. */
  async function attempt<Answer>(call: () => Promise<Answer>, done: string): Promise<Answer | undefined> {
    saved.value = ''
    const kept = await write({ call })
    if (kept) saved.value = done
    return kept?.answer
  }
  /** Keep the draft; `restore` is what an undo writes back. */
  async function keep(
    name: string,
    call: (row: number | null) => Promise<{ id: number }>,
    restore: (() => Promise<unknown>) | null,
  ) {
    const row = id.value
    saved.value = ''
    const kept = await write({
      call: () => call(row),
      undo: {
        what: `change of ${name}`,
        back: (answer) => (restore ? restore() : api.takeOutOfUse(what, answer.id)).then(close),
      },
    })
    if (!kept) return
    id.value = kept.answer.id
    saved.value = `${name} is kept.`
  }
  async function remove(name: string, row: number) {
    saved.value = ''
    const kept = await write({
      call: () => api.takeOutOfUse(what, row),
      undo: { what: `taking ${name} out of use`, back: () => api.bringBack(what, row) },
    })
    if (!kept) return
    saved.value = `${name} is no longer offered; past sorties keep it.`
    if (id.value === row) close()
  }
  return { draft, id, fields, problem, saved, open, close, keep, remove, attempt }
}
