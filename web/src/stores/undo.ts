/** What can be undone, latest last; each step is what takes the change back. */
import { say } from '@/said'
import { defineStore } from 'pinia'
import { ref } from 'vue'

interface Step {
  what: string
  back: () => Promise<unknown>
}

const MOST = 400 // more than a day of laps

export const useUndo = defineStore('undo', () => {
  const steps = ref<Step[]>([])
  const problem = ref('')
  function done(what: string, back: Step['back']) {
    steps.value = [...steps.value.slice(1 - MOST), { what, back }]
  }
  async function undo() {
    const last = steps.value.at(-1)
    if (!last) return
    // taken off at once, so that a second press takes back the step before
    steps.value = steps.value.slice(0, -1)
    try {
      await last.back()
      problem.value = ''
    } catch (error) {
      steps.value = [...steps.value, last]
      problem.value = error instanceof Error ? error.message : say('parts.it-could-not-be-undone')
    }
  }
  function clear() {
    steps.value = []
  }
  return { steps, problem, done, undo, clear }
})
