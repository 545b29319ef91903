/** What waits, brought to the server: laps of a sortie, and pieces of track. */
import { say } from '@/said'
import { ApiError } from '@/api/client'
import { api } from '@/api/calls'
import { device, fromDevice, type TrackPiece, type Waiting } from './device'
import type { Taken } from './outbox'
import { packed } from './pack'
import { isRefusal } from './refusal'

export interface Refused {
  op: Waiting
  message: string
  fields: Record<string, string>
}

/** Messages of a lap inside a list, under the names the lap's own fields have. */
function shortened(fields: Record<string, string>): Record<string, string> {
  return Object.fromEntries(Object.entries(fields).map(([path, text]) => [path.split('.').at(-1)!, text]))
}

/** Send laps of one sortie; what was taken of them, and what was refused. One that is wrong stops none of the others. */
export async function sendLaps(
  sortieId: number,
  ops: readonly Waiting[],
  from: { device: string; page: string },
): Promise<{ taken: Taken; refused: Refused[] }> {
  const sent_at = new Date().toISOString()
  const writes = ops.map((one) => ({
    lap_id: one.lap_id,
    lap: one.values,
    writer: {
      device: one.in_memory ? from.page : from.device,
      number: one.in_memory ?? one.number,
      had_revision: one.had_revision,
      sent_at,
    },
  }))
  const taken: Taken = {}
  const refused: Refused[] = []
  try {
    const answer = await api.sendLaps(sortieId, writes)
    const results = new Map((Array.isArray(answer?.results) ? answer.results : []).map((one) => [one.lap_id, one]))
    if (!ops.every((one) => results.has(one.lap_id)))
      throw new ApiError(0, say('device.what-answered-was-not-bullseye'))
    for (const op of ops) {
      const result = results.get(op.lap_id)!
      if (result.refused === null) taken[op.lap_id] = { number: op.number, revision: result.revision }
      else refused.push({ op, message: result.refused.message, fields: result.refused.fields })
    }
  } catch (error) {
    if (!isRefusal(error)) throw error
    if (ops.length === 1)
      return { taken, refused: [{ op: ops[0]!, message: error.message, fields: shortened(error.fields) }] }
    for (const one of ops) {
      const single = await sendLaps(sortieId, [one], from)
      Object.assign(taken, single.taken)
      refused.push(...single.refused)
    }
  }
  return { taken, refused }
}

const TRY_AGAIN_MS = 600_000

/** Send the pieces of track that a person has closed; one that is refused stays, marked, until it is dropped. */
export async function sendPieces(personId: number) {
  const ready = await fromDevice<TrackPiece[]>(() => device.pieces.where('closed').equals(1).toArray(), [])
  const now = Date.now()
  // what was in its way may be gone by now: a clock set right, room made; one set back counts as long ago
  const isDue = (one: TrackPiece) => !one.refused || Math.abs(now - (one.refused_ms ?? 0)) > TRY_AGAIN_MS
  for (const piece of ready.filter((one) => one.person_id === personId && isDue(one))) {
    try {
      const sent_at = piece.by_clock ? new Date().toISOString() : null
      await api.sendTrack(piece.sortie_id, piece.id, await packed(piece), sent_at)
      await device.pieces.delete(piece.id)
    } catch (error) {
      if (!isRefusal(error)) throw error
      await device.pieces.update(piece.id, { refused: error.message, refused_ms: now })
    }
  }
}
