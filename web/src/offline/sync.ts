/**
 * Sends what waits on this device whenever there is a chance, one tab at a time. Every change has a running number and
 * carries the whole lap, so that sending twice, late or out of order changes nothing; only the latest of a lap is sent.
 */
import type { QueryClient } from '@tanstack/vue-query'
import { liveQuery } from 'dexie'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { ApiError } from '@/api/client'
import { api } from '@/api/calls'
import { forgetSortie, sessionQuery } from '@/api/queries'
import type { Session } from '@/api/types'
import { isOutOfReach } from './aboard'
import { chancesOf } from './chances'
import { device, deviceId, fromDevice, type TrackPiece, type Waiting } from './device'
import {
  allPieces,
  closedPieces,
  dropLap,
  dropPieces,
  keptRows,
  lapAgain,
  noteRefused,
  noteTaken,
  piecesAgain,
} from './disk'
import { newId } from './ids'
import { link } from './link'
import { EMPTY, latestOfEach, next, waiting as waitingIn, type Happened, type Taken } from './outbox'
import { sendLaps, sendPieces } from './sending'

const AT_ONCE = 50 // laps of one request
const SETTLED_MS = 3_000
const pageId = newId() // of what only this page holds

export type SyncState = 'idle' | 'sending' | 'waiting' | 'sign_in'

export const useSync = defineStore('sync', () => {
  const box = shallowRef(EMPTY)
  const has = (what: Happened) => void (box.value = next(box.value, what))
  /** being written just now: the next tap builds on it; not on the screen before it is kept */
  const writing = new Map<string, Waiting[]>()
  const pieces = ref(0)
  const refusedPieces = shallowRef<TrackPiece[]>([])
  const state = ref<SyncState>('idle')
  const personId = ref<number | null>(null)
  let client: QueryClient | null = null
  const chances = chancesOf(send)
  const { soon } = chances

  const waiting = computed(() => waitingIn(box.value))
  const open = computed(() => latestOfEach(waiting.value).filter((one) => !one.sent))
  const lapsHere = computed(() => open.value.filter((one) => one.values !== null).length)
  const refused = computed(() => open.value.filter((one) => one.refused))
  const ofOthers = computed(() =>
    open.value.filter((one) => personId.value !== null && one.person_id !== personId.value),
  )

  /** Begin to watch the outbox and to send it whenever there is a chance. */
  function start(queryClient: QueryClient) {
    client = queryClient
    const error = () => undefined // said by the storage check
    liveQuery(() => device.outbox.orderBy('number').toArray()).subscribe({
      next: (rows) => has({ is: 'told', rows }),
      error,
    })
    liveQuery(() => closedPieces().toArray()).subscribe({
      next: (rows) => {
        refusedPieces.value = rows.filter((one) => one.refused)
        pieces.value = rows.length - refusedPieces.value.length
      },
      error,
    })
    window.addEventListener('online', () => soon())
    watch(link.reached, (reached) => reached || chances.later())
    document.addEventListener('visibilitychange', () => document.visibilityState === 'visible' && soon())
    soon()
  }
  /** Somebody signed in: what is theirs can be sent. */
  function enter(person: number) {
    personId.value = person
    soon()
  }
  const rows = async () => [...(await keptRows()), ...box.value.memory]

  async function send() {
    const touched = new Set<number>()
    let isBack = false
    try {
      const known = client?.getQueryData<Session>(sessionQuery.queryKey)
      const tracks = await fromDevice(() => closedPieces().count(), 0)
      const nothing = !(await rows()).length && !tracks
      if (nothing && link.reached.value && !known?.is_kept) return void (state.value = 'idle')
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
      personId.value = session.person.id
      if (wasAway) client?.setQueryData(sessionQuery.queryKey, session)
      isBack = !!wasAway
      await sendOf(session.person.id, touched)
      await sendPieces(session.person.id)
      chances.succeeded()
      state.value = 'idle'
    } catch (error) {
      if (error instanceof ApiError && error.status === 401) {
        state.value = 'sign_in'
        await client?.invalidateQueries(sessionQuery)
      } else {
        if (isOutOfReach(error)) link.failed()
        state.value = 'waiting'
        chances.later(error instanceof ApiError ? error.waitMs : 0)
      }
    } finally {
      // asked for after the laps are there, so that nothing delays them
      const rest = ([of, id]: readonly unknown[]) =>
        of !== 'session' && !(touched.size && of === 'sorties') && !touched.has(id as number)
      if (isBack) void client?.invalidateQueries({ predicate: ({ queryKey }) => rest(queryKey) })
      for (const id of touched) {
        if (client) await forgetSortie(client, id)
        has({ is: 'settled', sortieId: id })
      }
    }
  }

  /** Send all laps of a person, sortie by sortie. */
  async function sendOf(person: number, touched: Set<number>) {
    const mine = latestOfEach(await rows()).filter((one) => one.person_id === person && !one.refused)
    const from = { device: await deviceId().catch(() => pageId), page: pageId }
    for (const sortieId of new Set(mine.map((one) => one.sortie_id))) {
      const ops = mine.filter((one) => one.sortie_id === sortieId)
      touched.add(sortieId)
      // while the server writes some, the device notes of those before that they are sent
      let noting: Promise<void> = Promise.resolve()
      try {
        for (let at = 0; at < ops.length; at += AT_ONCE) {
          const some = ops.slice(at, at + AT_ONCE)
          const { taken, refused } = await sendLaps(sortieId, some, from)
          for (const { op, message, fields } of refused) {
            has({ is: 'refused', op, message, fields })
            await noteRefused(op, message, fields)
          }
          await noting
          noting = note(some, taken)
        }
      } finally {
        await noting
      }
    }
  }
  /** The server has these: they need not wait any longer. */
  async function note(ops: readonly Waiting[], taken: Taken) {
    if (!Object.keys(taken).length) return
    has({ is: 'taken', ops, taken })
    await noteTaken(taken)
  }
  /** Keep one change on this device, and send it when there is a chance. */
  async function put(change: Omit<Waiting, 'number' | 'refused' | 'fields'>): Promise<'device' | 'memory'> {
    const began = performance.now()
    const row = JSON.parse(JSON.stringify({ ...change, refused: '', fields: {} })) as Waiting
    const held = box.value.memory.find((one) => one.lap_id === row.lap_id)
    row.had_revision = held?.had_revision ?? row.had_revision
    writing.set(row.lap_id, [...(writing.get(row.lap_id) ?? []), row])
    try {
      const number = await device.outbox.add({ ...row })
      performance.measure('tap-to-kept', { start: began }) // on the disk; drawing it comes after
      has({ is: 'written', row: { ...row, number } })
      window.setTimeout(() => has({ is: 'late', number }), SETTLED_MS) // another tab may have sent it meanwhile
      return 'device'
    } catch {
      has({ is: 'held', row })
      return 'memory'
    } finally {
      const left = (writing.get(row.lap_id) ?? []).filter((one) => one !== row)
      if (left.length) writing.set(row.lap_id, left)
      else writing.delete(row.lap_id)
      soon()
    }
  }
  /** A lap as it was tapped last, though it may still be on its way into the storage; undefined: nothing is on its way. */
  const writingOf = (lapId: string): Waiting | undefined => writing.get(lapId)?.at(-1)
  /** Drop what the server refused, after the user has seen it. */
  async function drop(lapId: string) {
    has({ is: 'dropped', lapId })
    await dropLap(lapId)
  }
  /** Send once more what the server refused. */
  async function again(lapId: string) {
    has({ is: 'again', lapId })
    await lapAgain(lapId)
    soon()
  }
  async function piecesOnceMore() {
    await piecesAgain()
    soon()
  }
  const dropRefusedPieces = () => dropPieces(refusedPieces.value.map((one) => one.id))
  /** All that waits here, as a file: the last resort. */
  async function asFile(): Promise<Blob> {
    const all = { made_at: new Date().toISOString(), laps: await rows(), tracks: await allPieces() }
    return new Blob([JSON.stringify(all, null, 1)], { type: 'application/json' })
  }
  const counts = { waiting, open, lapsHere, refused, ofOthers, pieces, refusedPieces, state }
  return { ...counts, start, enter, soon, put, writingOf, drop, again, dropRefusedPieces, piecesOnceMore, asFile }
})
