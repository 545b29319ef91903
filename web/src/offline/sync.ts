/**
 * Sends what waits on this device. Every change has a running number and carries the whole lap, so that sending twice,
 * late or out of order changes nothing; only the latest of a lap is sent. One tab sends at a time.
 */
import type { QueryClient } from '@tanstack/vue-query'
import { liveQuery } from 'dexie'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { ApiError } from '@/api/client'
import { api, forgetSortie, sessionQuery } from '@/api/queries'
import type { Session } from '@/api/types'
import { isOutOfReach } from './aboard'
import { device, deviceId, fromDevice, type TrackPiece, type Waiting } from './device'
import { newId } from './ids'
import { link } from './link'
import { packed } from './pack'

const FIRST_WAIT_MS = 1_000
const LONGEST_WAIT_MS = 60_000
const AT_ONCE = 50 // laps of one request
const SETTLED_MS = 3_000

/** What the server took of laps, by lap: which change of it, and its revision there; null when it is gone. */
type Taken = Map<string, { number: number; revision: number | null }>

export type SyncState = 'idle' | 'sending' | 'waiting' | 'sign_in'

/** Run while no other tab does; without locks (a page without TLS) the server's own order keeps it right. */
async function alone(act: () => Promise<void>): Promise<void> {
  if (!navigator.locks) return act()
  await navigator.locks.request('bullseye-sync', act)
}

/** Messages of a lap inside a list, under the names the lap's own fields have. */
function shortened(fields: Record<string, string>): Record<string, string> {
  return Object.fromEntries(Object.entries(fields).map(([path, text]) => [path.split('.').at(-1)!, text]))
}

/** The latest change of each lap, in the order made. */
export function latestOfEach(waiting: readonly Waiting[]): Waiting[] {
  const latest = new Map<string, Waiting>()
  for (const one of [...waiting].sort((a, b) => a.number - b.number)) {
    const first = latest.get(one.lap_id)
    latest.delete(one.lap_id)
    // what the device had seen before its first unsent change is what the change is against
    latest.set(one.lap_id, { ...one, had_revision: first ? first.had_revision : one.had_revision })
  }
  return [...latest.values()]
}

export const useSync = defineStore('sync', () => {
  const outbox = shallowRef<Waiting[]>([])
  const inMemory = shallowRef<Waiting[]>([]) // only where the browser keeps nothing
  /** written, but not yet come back from the storage's own watch */
  const early = shallowRef<Waiting[]>([])
  /** sent, and shown until the server's own result has been read */
  const settling = shallowRef<Waiting[]>([])
  /** being written just now: the next tap builds on it; not on the screen before it is kept */
  const writing = new Map<string, Waiting[]>()
  const pieces = ref(0)
  const state = ref<SyncState>('idle')
  let client: QueryClient | null = null
  const personId = ref<number | null>(null)
  let timer: number | undefined
  let failures = 0
  let again = false

  const waiting = computed(() => {
    const kept = new Set(outbox.value.map((one) => one.number))
    return [
      ...settling.value,
      ...outbox.value,
      ...early.value.filter((one) => !kept.has(one.number)),
      ...inMemory.value,
    ]
  })
  const open = computed(() => latestOfEach(waiting.value).filter((one) => !one.sent))
  const lapsHere = computed(() => open.value.filter((one) => one.values !== null).length)
  const refused = computed(() => open.value.filter((one) => one.refused))
  const ofOthers = computed(() =>
    open.value.filter((one) => personId.value !== null && one.person_id !== personId.value),
  )

  /** Begin to watch the outbox and to send it whenever there is a chance. */
  function start(queryClient: QueryClient) {
    client = queryClient
    liveQuery(() => device.outbox.orderBy('number').toArray()).subscribe({
      next: (rows) => {
        outbox.value = rows
        const kept = new Set(rows.map((one) => one.number))
        early.value = early.value.filter((one) => !kept.has(one.number))
      },
      error: () => undefined, // said by the storage check
    })
    liveQuery(() => device.pieces.where('closed').equals(1).count()).subscribe({
      next: (count) => (pieces.value = count),
      error: () => undefined,
    })
    window.addEventListener('online', () => soon())
    watch(link.reached, (reached) => reached || later())
    document.addEventListener('visibilitychange', () => document.visibilityState === 'visible' && soon())
    soon()
  }
  /** Somebody signed in: what is theirs can be sent. */
  function enter(person: number) {
    personId.value = person
    soon()
  }
  /** Send now; a chance to forget earlier failures. */
  function soon() {
    failures = 0
    void run()
  }
  function later() {
    window.clearTimeout(timer)
    const wait = Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** failures)
    failures += 1
    timer = window.setTimeout(() => void run(), wait * (0.8 + 0.4 * Math.random()))
  }

  let running = false
  async function run() {
    if (running) {
      again = true
      return
    }
    running = true
    window.clearTimeout(timer)
    try {
      do {
        again = false
        await alone(send)
      } while (again)
    } finally {
      running = false
    }
  }

  async function rows(): Promise<Waiting[]> {
    const kept = await fromDevice<Waiting[]>(() => device.outbox.orderBy('number').toArray(), [])
    return [...kept, ...inMemory.value]
  }

  async function send() {
    const touched = new Set<number>()
    let isBack = false
    try {
      const known = client?.getQueryData<Session>(sessionQuery.queryKey)
      const tracks = await fromDevice(() => device.pieces.where('closed').equals(1).count(), 0)
      const nothing = !(await rows()).length && !tracks
      if (nothing && link.reached.value && !known?.is_kept) {
        state.value = 'idle'
        return
      }
      if (!nothing) state.value = 'sending'
      // asks who is signed in, and for the token that every write carries
      const session = await api.serverSession()
      const wasAway = !link.reached.value || known?.is_kept
      link.answered()
      if (!session.person) {
        state.value = nothing ? 'idle' : 'sign_in'
        if (!known?.is_kept) await client?.invalidateQueries(sessionQuery)
        return
      }
      const own = session.person.id
      personId.value = own
      if (wasAway) client?.setQueryData(sessionQuery.queryKey, session)
      isBack = !!wasAway
      const mine = latestOfEach(await rows()).filter((one) => one.person_id === own && !one.refused)
      const bySortie = new Map<number, Waiting[]>()
      for (const one of mine) bySortie.set(one.sortie_id, [...(bySortie.get(one.sortie_id) ?? []), one])
      for (const [sortieId, ops] of bySortie) {
        touched.add(sortieId)
        // while the server writes some, the device notes of those before that they are sent
        let noting: Promise<void> = Promise.resolve()
        try {
          for (let from = 0; from < ops.length; from += AT_ONCE) {
            const some = ops.slice(from, from + AT_ONCE)
            const taken = await sendLaps(sortieId, some)
            await noting
            noting = note(some, taken)
          }
        } finally {
          await noting
        }
      }
      await sendPieces(own)
      failures = 0
      state.value = 'idle'
    } catch (error) {
      if (error instanceof ApiError && error.status === 401) {
        state.value = 'sign_in'
        await client?.invalidateQueries(sessionQuery)
      } else {
        if (isOutOfReach(error)) link.failed()
        state.value = 'waiting'
        later()
      }
    } finally {
      // asked for after the laps are there, so that nothing delays them
      const rest = ([of, id]: readonly unknown[]) =>
        of !== 'session' && !(touched.size && of === 'sorties') && !touched.has(id as number)
      if (isBack) void client?.invalidateQueries({ predicate: ({ queryKey }) => rest(queryKey) })
      for (const id of touched) {
        if (client) await forgetSortie(client, id)
        settling.value = settling.value.filter((one) => one.sortie_id !== id)
      }
    }
  }

  async function sendLaps(sortieId: number, ops: readonly Waiting[]): Promise<Taken> {
    const id = await deviceId().catch(() => memoryDevice())
    const sent_at = new Date().toISOString()
    const writes = ops.map((one) => ({
      lap_id: one.lap_id,
      lap: one.values,
      writer: {
        device: one.in_memory ? memoryDevice() : id,
        number: one.in_memory ?? one.number,
        had_revision: one.had_revision,
        sent_at,
      },
    }))
    const { results } = await api.sendLaps(sortieId, writes).catch(async (error: unknown) => {
      if (!(error instanceof ApiError) || isOutOfReach(error) || error.status === 429) throw error
      if (ops.length === 1) await refuse(ops[0]!, error.message, shortened(error.fields))
      else for (const one of ops) await note([one], await sendLaps(sortieId, [one])) // one is wrong: the others go on
      return { results: [] }
    })
    const taken: Taken = new Map()
    for (const [i, result] of results.entries()) {
      const op = ops[i]!
      if (result.refused === null) taken.set(op.lap_id, { number: op.number, revision: result.revision })
      else await refuse(op, result.refused.message, result.refused.fields)
    }
    return taken
  }
  /** The server has these: they need not wait any longer. */
  async function note(ops: readonly Waiting[], taken: Taken) {
    if (!taken.size) return
    const now = ops.filter((one) => taken.has(one.lap_id))
    const others = settling.value.filter((one) => !taken.has(one.lap_id))
    settling.value = [
      ...others,
      ...now.map((one) => ({ ...one, sent: true, revision: taken.get(one.lap_id)!.revision })),
    ]
    const isLater = (one: Waiting) => one.number > (taken.get(one.lap_id)?.number ?? -1)
    inMemory.value = inMemory.value.filter(isLater)
    early.value = early.value.filter(isLater)
    const onDevice = () =>
      device.transaction('rw', device.outbox, async () => {
        const rows = await device.outbox
          .where('lap_id')
          .anyOf([...taken.keys()])
          .toArray()
        await device.outbox.bulkDelete(rows.filter((one) => !isLater(one)).map((one) => one.number))
        // what was changed while this was under way is against what the server has now
        const since = rows.filter(isLater)
        await device.outbox.bulkPut(since.map((one) => ({ ...one, had_revision: taken.get(one.lap_id)!.revision })))
      })
    await fromDevice(onDevice, undefined)
  }
  async function refuse(op: Waiting, message: string, fields: Record<string, string>) {
    const mark = { refused: message, fields }
    inMemory.value = inMemory.value.map((one) => (one.lap_id === op.lap_id ? { ...one, ...mark } : one))
    const onDevice = () =>
      device.outbox
        .where('lap_id')
        .equals(op.lap_id)
        .and((one) => one.number <= op.number)
        .modify(mark)
    await fromDevice(onDevice, 0)
  }
  async function sendPieces(person: number) {
    const ready = await fromDevice<TrackPiece[]>(() => device.pieces.where('closed').equals(1).toArray(), [])
    for (const piece of ready.filter((one) => one.person_id === person && !one.refused)) {
      try {
        await api.sendTrack(piece.sortie_id, piece.id, await packed(piece))
        await device.pieces.delete(piece.id)
      } catch (error) {
        if (isOutOfReach(error)) throw error
        await device.pieces.update(piece.id, { refused: error instanceof Error ? error.message : 'Refused.' })
      }
    }
  }

  /** Keep one change on this device, and send it when there is a chance. */
  async function put(change: Omit<Waiting, 'number' | 'refused' | 'fields'>): Promise<'device' | 'memory'> {
    const began = performance.now()
    const row = JSON.parse(JSON.stringify({ ...change, refused: '', fields: {} })) as Waiting
    const held = inMemory.value.filter((one) => one.lap_id === row.lap_id)
    row.had_revision = held[0]?.had_revision ?? row.had_revision
    writing.set(row.lap_id, [...(writing.get(row.lap_id) ?? []), row])
    try {
      const number = await device.outbox.add({ ...row })
      performance.measure('tap-to-kept', { start: began }) // on the disk; drawing it comes after
      early.value = [...early.value, { ...row, number }]
      if (held.length) inMemory.value = inMemory.value.filter((one) => !held.includes(one)) // this one holds all of it
      // another tab may have sent it meanwhile
      window.setTimeout(() => (early.value = early.value.filter((one) => one.number !== number)), SETTLED_MS)
      return 'device'
    } catch {
      memoryNumber += 1
      // after all that waits on the device, and before all that will once it keeps things again
      const last = Math.max(0, ...outbox.value.map((one) => one.number), ...early.value.map((one) => one.number))
      inMemory.value = [
        ...inMemory.value,
        { ...row, number: Math.floor(last) + memoryNumber * 1e-6, in_memory: memoryNumber },
      ]
      return 'memory'
    } finally {
      const left = (writing.get(row.lap_id) ?? []).filter((one) => one !== row)
      if (left.length) writing.set(row.lap_id, left)
      else writing.delete(row.lap_id)
      soon()
    }
  }
  /** A lap as it was tapped last, though it may still be on its way into the storage; undefined: nothing is on its way. */
  function writingOf(lapId: string): Waiting | undefined {
    return writing.get(lapId)?.at(-1)
  }
  /** Drop what the server refused, after the user has seen it. */
  async function drop(lapId: string) {
    inMemory.value = inMemory.value.filter((one) => one.lap_id !== lapId)
    early.value = early.value.filter((one) => one.lap_id !== lapId)
    await fromDevice(() => device.outbox.where('lap_id').equals(lapId).delete(), 0)
  }
  /** All that waits here, as a file: the last resort. */
  async function asFile(): Promise<Blob> {
    const all = {
      made_at: new Date().toISOString(),
      laps: await rows(),
      tracks: await fromDevice<TrackPiece[]>(() => device.pieces.toArray(), []),
    }
    return new Blob([JSON.stringify(all, null, 1)], { type: 'application/json' })
  }
  return { waiting, open, lapsHere, refused, ofOthers, pieces, state, start, enter, soon, put, writingOf, drop, asFile }
})

let memoryNumber = 0
let memoryId = ''
function memoryDevice(): string {
  memoryId ||= newId()
  return memoryId
}
