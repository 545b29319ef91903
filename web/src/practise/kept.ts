/** Answers that could not be sent wait on the device, each under the person it belongs to. */
import { ApiError } from '@/api/client'
import { api } from '@/api/calls'
import type { PracticeAnswers, Practised } from '@/api/types'

const NAME = 'practice-waiting'
const isOutOfReach = (error: unknown) => error instanceof ApiError && (error.status === 0 || error.status >= 500)
interface Waiting {
  person_id: number
  body: PracticeAnswers
}
function waiting(): Waiting[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(NAME) ?? '[]')
    return Array.isArray(kept) ? (kept as Waiting[]) : []
  } catch {
    return []
  }
}
function put(rows: readonly Waiting[]): void {
  localStorage.setItem(NAME, JSON.stringify(rows.slice(-20)))
}
/** What was measured; null when there is no network, and the answers wait here. */
export async function send(personId: number, body: PracticeAnswers): Promise<Practised | null> {
  try {
    return await api.practised(body)
  } catch (error) {
    if (!isOutOfReach(error)) throw error
    put([...waiting(), { person_id: personId, body }])
    return null
  }
}
/** Send what waits of this person; what the server does not take is let go. */
export async function sendWaiting(personId: number): Promise<void> {
  for (const one of waiting().filter((row) => row.person_id === personId)) {
    try {
      await api.practised(one.body)
    } catch (error) {
      if (isOutOfReach(error)) return
    }
    put(waiting().filter((row) => row.body.token !== one.body.token))
  }
}
