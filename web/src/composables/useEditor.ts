/** Editing one thing of the school: a draft that nothing loses, fields that were refused, and undo. */
import { say } from '@/said'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, onScopeDispose, ref, type Ref } from 'vue'
import { api, type Kept } from '@/api/calls'
import { differences } from '@/differences'
import { useWrite } from './useWrite'

/** One thing as somebody else has it now. */
interface Theirs {
  revision: number
  name: string
  spec: unknown
}

/** What was typed and not kept when its page was left, by what is edited; gone with the page's own life. */
const left = new Map<Kept, { draft: string; id: number | null; seen: number | null }>()
/** Forget what was typed: somebody else signs in. */
export const forgetDrafts = () => left.clear()

/** `read` makes a draft of what the server keeps. */
export function useEditor<T>(what: Kept, read: (theirs: Theirs) => T = (theirs) => theirs.spec as T) {
  const client = useQueryClient()
  const draft = ref(null) as Ref<T | null>
  const id = ref<number | null>(null)
  const saved = ref('')
  /** The draft as it was opened or last kept, by which it is told whether anything was typed. */
  let opened = ''
  /** The revision that the draft began with: over a later one nothing is written. */
  const seen = ref<number | null>(null)
  const { write, fields, problem, now, clear } = useWrite({ refresh: () => client.invalidateQueries() })

  const again = left.get(what)
  if (again) {
    draft.value = JSON.parse(again.draft) as T
    id.value = again.id
    seen.value = again.seen
    left.delete(what)
    saved.value = say('parts.what-you-typed-before-is')
  }
  onScopeDispose(() => {
    const now = JSON.stringify(draft.value)
    if (draft.value !== null && now !== opened) left.set(what, { draft: now, id: id.value, seen: seen.value })
  })

  const theirs = computed(() => now.value as Theirs | undefined)
  const differs = computed(() => (theirs.value ? differences(read(theirs.value), draft.value) : []))
  function open(value: T, row: number | null, revision: number | null = null) {
    seen.value = revision
    draft.value = JSON.parse(JSON.stringify(value)) as T
    opened = JSON.stringify(draft.value)
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
    call: (row: number | null, seen: number | null) => Promise<{ id: number; revision: number }>,
    restore: (() => Promise<unknown>) | null,
  ) {
    const row = id.value
    saved.value = ''
    const kept = await write({
      call: () => call(row, row === null ? null : seen.value),
      undo: {
        what: say('parts.change-of', { name }),
        back: (answer) => (restore ? restore() : api.takeOutOfUse(what, answer.id)).then(close),
      },
    })
    if (!kept) return
    id.value = kept.answer.id
    seen.value = kept.answer.revision
    opened = JSON.stringify(draft.value)
    saved.value = say('parts.is-kept', { name })
  }
  async function remove(name: string, row: number) {
    saved.value = ''
    const kept = await write({
      call: () => api.takeOutOfUse(what, row),
      undo: { what: say('parts.taking-out-of-use', { name }), back: () => api.bringBack(what, row) },
    })
    if (!kept) return
    saved.value = say('parts.is-no-longer-offered-past', { name })
    if (id.value === row) close()
  }
  /** Go on with what somebody else has kept. */
  function useTheirs() {
    if (theirs.value) open(read(theirs.value), id.value, theirs.value.revision)
  }
  /** Go on with the draft, over what somebody else has kept: the next writing is knowingly over theirs. */
  function overTheirs() {
    if (theirs.value) seen.value = theirs.value.revision
    clear()
  }
  return {
    theirs,
    differs,
    useTheirs,
    overTheirs,
    draft,
    id,
    fields,
    problem,
    saved,
    open,
    close,
    keep,
    remove,
    attempt,
  }
}
