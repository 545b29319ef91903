/** Laps as the recorder shows them: the server's, with what waits on this device laid over. */
import type { Lap, LapIn } from '@/api/types'
import { latestOfEach } from './outbox'
import type { Waiting } from './device'

export interface ShownLap {
  id: string
  number: number
  values: LapIn
  /** the server's own result; null until it has the lap as it is here */
  result: Lap | null
  waits: boolean
  refused: string
  fields: Record<string, string>
}

/** What the API takes to write a lap again as it is. */
export function asWritten(lap: Lap): LapIn {
  return {
    outcome: lap.outcome,
    flown_at: lap.flown_at,
    along_ft: lap.along_ft,
    lateral_ft: lap.lateral_ft,
    threshold_speed_kias: lap.threshold_speed_kias,
    float_s: lap.float_s,
    drift: lap.drift,
    bounced: lap.bounced,
    ballooned: lap.ballooned,
    wind_dir_deg_mag: lap.wind_dir_deg_mag,
    wind_kt: lap.wind_kt,
    gust_kt: lap.gust_kt,
    aim_point_ft: lap.aim_point_ft,
    landing: lap.landing,
    runway_end_id: lap.runway_end_id,
    liftoff_ft: lap.liftoff_ft,
    spot_ft: lap.spot_ft,
    marks: lap.marks,
    noted: lap.noted,
    note: lap.note,
    excluded: lap.excluded,
    flown_by: lap.flown_by,
    alone: lap.alone,
    known_by: lap.known_by as LapIn['known_by'],
  }
}

/** Lay what waits over what the server has; in the order flown. */
export function shownLaps(laps: readonly Lap[], waiting: readonly Waiting[]): ShownLap[] {
  const open = new Map(latestOfEach(waiting).map((one) => [one.lap_id, one]))
  const shown: Omit<ShownLap, 'number'>[] = []
  for (const lap of laps) {
    let op = open.get(lap.id)
    open.delete(lap.id)
    // read already; what was read before it was sent would bring back what it changed
    if (op?.sent && op.values && lap.revision >= (op.revision ?? Infinity)) op = undefined
    if (op?.values === null) continue
    shown.push({
      id: lap.id,
      values: op ? op.values! : asWritten(lap),
      result: op ? null : lap,
      waits: !!op && !op.sent,
      refused: op?.refused ?? '',
      fields: op?.fields ?? {},
    })
  }
  for (const op of open.values()) {
    if (op.values === null) continue
    const { lap_id: id, values, refused, fields } = op
    shown.push({ id, values, result: null, waits: !op.sent, refused, fields })
  }
  const at = (one: { values: LapIn }) => Date.parse(one.values.flown_at ?? '') || 0
  shown.sort((a, b) => at(a) - at(b) || (a.id < b.id ? -1 : 1))
  return shown.map((one, i) => ({ ...one, number: i + 1 }))
}
