/** What waits, on the device's disk: read, noted as taken or refused, dropped. A browser that keeps nothing has none. */
import { device, fromDevice, type TrackPiece, type Waiting } from './device'
import { isLater, type Taken } from './outbox'

export const keptRows = () => fromDevice<Waiting[]>(() => device.outbox.orderBy('number').toArray(), [])
export const closedPieces = () => device.pieces.where('closed').equals(1)
export const allPieces = () => fromDevice<TrackPiece[]>(() => device.pieces.toArray(), [])
export const dropLap = (lapId: string) => fromDevice(() => device.outbox.where('lap_id').equals(lapId).delete(), 0)
/** What was refused is sent once more: what was in the way may be gone, a clock that was wrong set right. */
export const lapAgain = (lapId: string) =>
  fromDevice(() => device.outbox.where('lap_id').equals(lapId).modify({ refused: '', fields: {} }), 0)
export const piecesAgain = () =>
  fromDevice(() => device.pieces.filter((one) => one.refused !== '').modify({ refused: '' }), 0)
export const dropPieces = (ids: string[]) => fromDevice(() => device.pieces.bulkDelete(ids), undefined)

/** The server has these; what was changed while they were under way is against what the server has now. */
export async function noteTaken(taken: Taken) {
  await fromDevice(
    () =>
      device.transaction('rw', device.outbox, async () => {
        const rows = await device.outbox.where('lap_id').anyOf(Object.keys(taken)).toArray()
        const since = rows.filter(isLater(taken))
        await device.outbox.bulkDelete(rows.filter((one) => !since.includes(one)).map((one) => one.number))
        await device.outbox.bulkPut(since.map((one) => ({ ...one, had_revision: taken[one.lap_id]!.revision })))
      }),
    undefined,
  )
}
/** The server will not have this change of a lap, nor those before it. */
export async function noteRefused(op: Waiting, refused: string, fields: Record<string, string>) {
  await fromDevice(
    () =>
      device.outbox
        .where('lap_id')
        .equals(op.lap_id)
        .and((one) => one.number <= op.number)
        .modify({ refused, fields }),
    0,
  )
}
