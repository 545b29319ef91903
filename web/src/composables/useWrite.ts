/**
 * The one way to write to the server: drawn at once where that is wanted, said in words when it is refused, and taken
 * back by undo.
 */
import { say } from '@/said'
import { useMutation } from '@tanstack/vue-query'
import { ref } from 'vue'
import { ApiError } from '@/api/client'
import { useUndo } from '@/stores/undo'

export interface Change<Answer> {
  call: () => Promise<Answer>
  /** Draw what is wanted before the server has answered; returns what draws it as it was. */
  draw?: () => () => void
  /** What undo takes back, in words, and how. */
  undo?: { what: string; back: (answer: Answer) => Promise<unknown> }
  /** What has to be read anew, when not the usual. */
  refresh?: () => Promise<unknown>
}

interface Options {
  /** What has to be read anew after a change, after a refused one and after an undo. */
  refresh?: () => Promise<unknown>
  /** What is said of an error without words of its own. */
  otherwise?: string
}

export function useWrite({ refresh: usual = async () => undefined, otherwise = say('common.not-kept') }: Options = {}) {
  const undo = useUndo()
  const fields = ref<Record<string, string>>({})
  const problem = ref('')
  /** How that stands which somebody else changed meanwhile. */
  const now = ref<unknown>()
  function clear() {
    fields.value = {}
    problem.value = ''
    now.value = undefined
  }
  const mutation = useMutation({
    // a change that meets no network is refused at once: what must not be lost goes by way of the device
    networkMode: 'always',
    mutationFn: (change: Change<unknown>) => change.call(),
    onMutate: (change) => {
      clear()
      return { asItWas: change.draw?.() }
    },
    onError: (error, _change, context) => {
      context?.asItWas?.()
      fields.value = error instanceof ApiError ? error.fields : {}
      now.value = error instanceof ApiError ? error.now : undefined
      problem.value = error instanceof Error ? error.message : otherwise
    },
    onSettled: (_answer, _error, change) => (change.refresh ?? usual)(),
  })
  /** Write; what the server answered, or undefined when it was refused, and `problem` says why. */
  async function write<Answer>(change: Change<Answer>): Promise<{ answer: Answer } | undefined> {
    try {
      const answer = (await mutation.mutateAsync(change as Change<unknown>)) as Answer
      const { undo: step, refresh = usual } = change
      if (step) undo.done(step.what, () => step.back(answer).finally(refresh))
      return { answer }
    } catch {
      return undefined // told by `problem`
    }
  }
  return { write, fields, problem, now, isBusy: mutation.isPending, clear }
}
