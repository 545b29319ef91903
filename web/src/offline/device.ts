/** What this device keeps without a network, in IndexedDB: sorties taken along, laps and tracks that wait to be sent. */
import { say } from '@/said'
import Dexie, { type EntityTable } from 'dexie'
import { trouble } from '@/trouble'
import { newId } from './ids'
import type { Aboard, LapIn, Session, Sortie } from '@/api/types'

/** A sortie with all that is needed to fly it without the server. */
export interface AboardRow {
  sortie_id: number
  person_id: number
  taken_at: string
  /** of the application that took it along; missing of copies older than this */
  software?: string
  data: Aboard
}

/** One change of one lap, waiting to be sent; `values` null takes the lap away. */
export interface Waiting {
  /** in the order made; of one kept only in the page's memory between two whole ones */
  number: number
  /** of one kept only in the page's memory: its running number there; the page is then a device of its own */
  in_memory?: number
  sortie_id: number
  person_id: number
  person_name: string
  lap_id: string
  values: LapIn | null
  /** what the server's lap was when it was changed; null when the server had none */
  had_revision: number | null
  /** the server's reason for not taking it; empty while it waits */
  refused: string
  fields: Record<string, string>
  /** the server has it, but what it made of it has not been read yet; never stored */
  sent?: boolean
  /** of a sent one: the server's lap with it */
  revision?: number | null
}

/** What was seen of a lap before it ended: no lap yet. */
export interface Draft {
  sortie_id: number
  values: Partial<LapIn>
}

/** A step that undo takes back: the lap as it was before. */
export interface Step {
  n: number
  sortie_id: number
  what: string
  lap_id: string
  before: LapIn | null
}

/** Ten minutes of positions: time [ms since 1970], 1e-7 degrees, accuracy in decimetres. */
export interface TrackPiece {
  id: string
  sortie_id: number
  person_id: number
  t: number[]
  lat: number[]
  lon: number[]
  acc: number[]
  /** height above the ellipsoid [dm], speed [cm/s] and course [0.1°] where the receiver tells; null where it does not */
  alt?: (number | null)[]
  spd?: (number | null)[]
  crs?: (number | null)[]
  closed: 0 | 1
  refused: string
  /** when it was, by this device's clock */
  refused_ms?: number
  /** whether the times are those of this device's clock, which may be wrong; else of the receiver's */
  by_clock?: boolean
  /** when it was kept last, by this device's clock */
  kept_ms?: number
}

/** What an instructor wants to sign, noted where no password could be asked; it waits here until they do. */
export interface Proposal {
  id: string
  person_id: number
  student_id: number
  student_name: string
  landing: Sortie['landing']
  words: string
  noted_at: string
}

interface Kept {
  key: string
  value: unknown
}

class DeviceStore extends Dexie {
  aboard!: EntityTable<AboardRow, 'sortie_id'>
  outbox!: EntityTable<Waiting, 'number'>
  drafts!: EntityTable<Draft, 'sortie_id'>
  steps!: EntityTable<Step, 'n'>
  pieces!: EntityTable<TrackPiece, 'id'>
  proposals!: EntityTable<Proposal, 'id'>
  own!: EntityTable<Kept, 'key'>

  constructor() {
    // kept means on the disk, not on its way there: a tablet may lose its power
    super('bullseye', { chromeTransactionDurability: 'strict' })
    this.version(1).stores({
      aboard: 'sortie_id, person_id',
      outbox: '++number, sortie_id, lap_id',
      drafts: 'sortie_id',
      steps: '++n, sortie_id',
      pieces: 'id, sortie_id, closed',
      own: 'key',
    })
    this.version(2).stores({ proposals: 'id, student_id, person_id' })
  }
}

export const device = new DeviceStore()
device.on('blocked', () => trouble.tell(say('device.another-tab-has-an-older')))
device.on('versionchange', () => {
  device.close()
  trouble.tell(say('device.a-newer-bullseye-was-opened'))
})

/** Read from the device; a browser that keeps nothing answers with `empty`. */
export async function fromDevice<T>(read: () => PromiseLike<T>, empty: T): Promise<T> {
  try {
    return await read()
  } catch (error) {
    // the storage's own refusals; a mistake of ours is not one of them
    if (error instanceof Dexie.DexieError || error instanceof DOMException) return empty
    throw error
  }
}

let ownId: string | null = null

/** This device's own id, made once. */
export async function deviceId(): Promise<string> {
  ownId ??= await device.transaction('rw', device.own, async () => {
    const found = await device.own.get('device')
    if (found) return found.value as string
    const made = newId()
    await device.own.put({ key: 'device', value: made })
    return made
  })
  return ownId
}

/** Who was signed in last, for when the server cannot be asked. */
export async function keptSession(): Promise<Session | null> {
  return fromDevice(async () => ((await device.own.get('session'))?.value as Session | undefined) ?? null, null)
}
export async function keepSession(session: Session): Promise<void> {
  await fromDevice(() => device.own.put({ key: 'session', value: JSON.parse(JSON.stringify(session)) }), 'session')
}

/** Whether somebody signed out where the server could not be told: it is told before anything else. */
export const isEnding = () => fromDevice(async () => !!(await device.own.get('ending')), false)
export const noteEnding = () => fromDevice(() => device.own.put({ key: 'ending', value: true }), 'ending')
export const hasEnded = () => fromDevice(() => device.own.delete('ending'), undefined)

/**
 * Signing out takes what is aboard, what undo could take back and what was only begun off the device; what waits to be
 * sent stays.
 */
export async function forgetPerson(): Promise<void> {
  await fromDevice(async () => {
    await device.own.delete('session')
    await device.aboard.clear()
    await device.steps.clear()
    await device.drafts.clear()
    return true
  }, false)
}

export interface StorageState {
  works: boolean
  /** empty when all is well; otherwise what to know before the flight */
  warning: string
}

const ENOUGH = 50_000_000 // bytes: a day of laps and tracks many times over

/** Try whether this browser keeps what is written, and how much room there is: to be said before the flight. */
export async function checkStorage(): Promise<StorageState> {
  try {
    await device.own.put({ key: 'trial', value: 'x'.repeat(100_000) })
    await device.own.delete('trial')
  } catch (error) {
    const full = error instanceof Error && /quota/i.test(`${error.name} ${error.message}`)
    return {
      works: false,
      warning: full ? say('device.the-storage-of-this-device') : say('device.this-browser-keeps-nothing-a'),
    }
  }
  const estimate = await navigator.storage?.estimate?.().catch(() => null)
  const room = estimate?.quota === undefined ? null : estimate.quota - (estimate.usage ?? 0)
  if (room !== null && room < ENOUGH) {
    return {
      works: true,
      warning: say('device.only-mb-are-left-for', { mb: Math.round(room / 1_000_000) }),
    }
  }
  // if the browser declines, it keeps all as long as the device has room, which was looked at above
  await navigator.storage?.persist?.().catch(() => false)
  return { works: true, warning: '' }
}
