/**
 * Ask the server again and again while something is dragged: while one answer is awaited only the newest question is
 * kept, so that dragging never queues up.
 */
import { say } from '@/said'
import { ref } from 'vue'
import { ApiError } from '@/api/client'

export function useLatest<Question, Answer>(
  ask: (question: Question) => Promise<Answer>,
  onAnswer: (answer: Answer) => void,
) {
  const fields = ref<Record<string, string>>({})
  const problem = ref('')
  let running = false
  let next: { question: Question } | null = null
  let age = 0 // an answer to a question asked before `clear` is dropped

  async function askLatest(question: Question) {
    next = { question }
    if (running) return
    running = true
    while (next) {
      const { question: now } = next as { question: Question }
      next = null
      const asked = age
      try {
        const answer = await ask(now)
        if (asked === age) {
          onAnswer(answer)
          clearProblem()
        }
      } catch (error) {
        if (asked !== age) continue
        fields.value = error instanceof ApiError ? error.fields : {}
        problem.value = error instanceof Error ? error.message : say('parts.it-could-not-be-calculated')
      }
    }
    running = false
  }
  function clearProblem() {
    fields.value = {}
    problem.value = ''
  }
  function clear() {
    age += 1
    next = null
    clearProblem()
  }
  return { fields, problem, ask: askLatest, clear }
}
