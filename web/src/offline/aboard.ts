/** Sorties taken along: what stands in for the server while it cannot be reached. */
import { say } from '@/said'
import { ApiError } from '@/api/client'
import type { Aboard } from '@/api/types'
import { device, fromDevice, keptSession, type AboardRow } from './device'
import { link } from './link'

const PATIENCE_MS = 6_000 // with a copy at hand nobody waits longer for a weak network

/** The copy of a sortie, if the one who is signed in took it along. */
export async function aboardOf(sortieId: number): Promise<AboardRow | null> {
  const row = await fromDevice(() => device.aboard.get(sortieId), undefined)
  if (!row) return null
  const session = await keptSession()
  return session?.person?.id === row.person_id && isReadable(row) ? row : null
}
/** A copy that an older Bullseye took along is laid out otherwise: it is as if there were none, and is taken anew. */
function isReadable(row: AboardRow): boolean {
  const brief: unknown = row.data.brief.brief
  const tables: object[] = Object.values(row.data.answers ?? {})
  return typeof brief === 'object' && brief !== null && 'aim' in brief && tables.every((one) => 'in_wind' in one)
}

/** Keep a sortie on this device. */
export async function keepAboard(personId: number, data: Aboard): Promise<void> {
  const session = await keptSession()
  if (session?.person?.id !== personId) return // signed out while it was on its way: nothing of them stays here
  const software = session.version?.software
  await device.aboard.put({ sortie_id: data.sortie.id, person_id: personId, taken_at: data.made_at, software, data })
}

/** Whether an error means that there is nobody to ask now: no network, a server that is down, a sign-in that ended. */
export function isOutOfReach(error: unknown): boolean {
  return error instanceof ApiError && (error.status === 0 || error.status === 401 || error.status >= 500)
}

/** Ask the server; when it is out of reach answer with the copy of a sortie, if there is one. */
export async function orAboard<T>(sortieId: number, ask: () => Promise<T>, read: (copy: Aboard) => T): Promise<T> {
  return orCopy(ask, async () => {
    const copy = await aboardOf(sortieId)
    return copy ? () => read(copy.data) : null
  })
}
/** Ask the server; when it is out of reach, or answers too late, answer with what the device has, if it has any. */
export async function orCopy<T>(ask: () => Promise<T>, find: () => Promise<(() => T) | null>): Promise<T> {
  const asked = navigator.onLine ? ask() : null // on its way while the device looks whether it has a copy
  asked?.catch(() => undefined) // looked at below
  const read = await find()
  if (!read) return asked ?? ask()
  try {
    if (!asked) throw new ApiError(0, say('device.no-network'))
    const found = await Promise.race([
      asked,
      new Promise<never>((_, refuse) =>
        setTimeout(() => refuse(new ApiError(0, say('device.no-answer'))), PATIENCE_MS),
      ),
    ])
    link.answered()
    return found
  } catch (error) {
    if (!isOutOfReach(error)) throw error
    link.failed()
    return read()
  }
}

/** All sorties of the person who is signed in that are aboard. */
export async function allAboard(): Promise<AboardRow[]> {
  const session = await keptSession()
  const personId = session?.person?.id
  if (personId === undefined) return []
  const rows = await fromDevice(() => device.aboard.where('person_id').equals(personId).toArray(), [])
  return rows.filter(isReadable)
}
