/**
 * What waits on this device, as a value: what has happened goes in, what then waits comes out. Network, storage and
 * drawing are elsewhere.
 *
 * A change of a lap is in one or more of four places:
 *
 * | place      | what it holds                                                                                 |
 * |------------|-----------------------------------------------------------------------------------------------|
 * | `kept`     | on the device's disk, as the storage's own watch last told                                    |
 * | `early`    | on the disk too, but the watch has not told yet                                               |
 * | `memory`   | only in this page: the browser keeps nothing; the page is then a device of its own            |
 * | `settling` | the server has it; shown until the server's own result has been read                          |
 *
 * | what happened            | kept           | early            | memory                    | settling            |
 * |--------------------------|----------------|------------------|---------------------------|---------------------|
 * | `told`: the disk's rows  | these          | less these       |                           |                     |
 * | `written`: on the disk   |                | and this         | less the lap's            |                     |
 * | `held`: not on the disk  |                |                  | and this, after all kept  |                     |
 * | `late`: the watch is slow|                | less this        |                           |                     |
 * | `taken` by the server    | (by `told`)    | less up to these | less up to these          | these for the lap's |
 * | `refused` by the server  | (by `told`)    |                  | marked                    |                     |
 * | `again`, asked by the user | (by `told`)  |                  | not marked any more       |                     |
 * | `dropped` by the user    | (by `told`)    | less the lap's   | less the lap's            |                     |
 * | `settled`: results read  |                |                  |                           | less the sortie's   |
 *
 * A later change of a lap than the one that was taken stays where it is, and is sent next.
 */
import type { Waiting } from './device'

export interface Outbox {
  readonly kept: readonly Waiting[]
  readonly early: readonly Waiting[]
  readonly memory: readonly Waiting[]
  readonly settling: readonly Waiting[]
  /** running number of what is held in memory */
  readonly held: number
}
export const EMPTY: Outbox = { kept: [], early: [], memory: [], settling: [], held: 0 }

/** What the server took of laps, by lap: which change of it, and its revision there; null when it is gone. */
export type Taken = Record<string, { number: number; revision: number | null }>

export type Happened =
  | { is: 'told'; rows: readonly Waiting[] }
  | { is: 'written'; row: Waiting }
  | { is: 'held'; row: Omit<Waiting, 'number'> }
  | { is: 'late'; number: number }
  | { is: 'taken'; ops: readonly Waiting[]; taken: Taken }
  | { is: 'refused'; op: Waiting; message: string; fields: Record<string, string> }
  | { is: 'again'; lapId: string }
  | { is: 'dropped'; lapId: string }
  | { is: 'settled'; sortieId: number }

/** Whether a change was made after the one that the server took of its lap. */
export const isLater = (taken: Taken) => (one: Waiting) => one.number > (taken[one.lap_id]?.number ?? -1)

/** What waits after something has happened. */
export function next(box: Outbox, what: Happened): Outbox {
  switch (what.is) {
    case 'told': {
      const there = new Set(what.rows.map((one) => one.number))
      return { ...box, kept: what.rows, early: box.early.filter((one) => !there.has(one.number)) }
    }
    case 'written':
      // this one holds all of what was held of its lap
      return {
        ...box,
        early: [...box.early, what.row],
        memory: box.memory.filter((one) => one.lap_id !== what.row.lap_id),
      }
    case 'held': {
      // after all that waits on the device, and before all that will once it keeps things again
      const last = Math.max(0, ...[...box.kept, ...box.early].map((one) => one.number))
      const held = box.held + 1
      const row = { ...what.row, number: Math.floor(last) + held * 1e-6, in_memory: held }
      return { ...box, held, memory: [...box.memory, row] }
    }
    case 'late':
      return { ...box, early: box.early.filter((one) => one.number !== what.number) }
    case 'taken': {
      const later = isLater(what.taken)
      const now = what.ops.filter((one) => one.lap_id in what.taken)
      return {
        ...box,
        early: box.early.filter(later),
        memory: box.memory.filter(later),
        settling: [
          ...box.settling.filter((one) => !(one.lap_id in what.taken)),
          ...now.map((one) => ({ ...one, sent: true, revision: what.taken[one.lap_id]!.revision })),
        ],
      }
    }
    case 'refused': {
      const mark = { refused: what.message, fields: what.fields }
      return {
        ...box,
        memory: box.memory.map((one) => (one.lap_id === what.op.lap_id ? { ...one, ...mark } : one)),
      }
    }
    case 'again': {
      const mark = { refused: '', fields: {} }
      return { ...box, memory: box.memory.map((one) => (one.lap_id === what.lapId ? { ...one, ...mark } : one)) }
    }
    case 'dropped': {
      const others = (one: Waiting) => one.lap_id !== what.lapId
      return { ...box, early: box.early.filter(others), memory: box.memory.filter(others) }
    }
    case 'settled':
      return { ...box, settling: box.settling.filter((one) => one.sortie_id !== what.sortieId) }
  }
}

/** All that is to be shown over what the server has, what was sent last first. */
export function waiting(box: Outbox): Waiting[] {
  const kept = new Set(box.kept.map((one) => one.number))
  return [...box.settling, ...box.kept, ...box.early.filter((one) => !kept.has(one.number)), ...box.memory]
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
