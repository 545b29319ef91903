/** A field as its editor holds it, and its way from and to GeoJSON. */
import { say } from '@/said'
import type { GeoJson } from './api/types'

/** What stands around a runway, by which the wind is less near the ground than reported. */
export const SURROUNDINGS = ['water', 'open', 'hedges', 'trees', 'buildings'] as const
export type Surroundings = (typeof SURROUNDINGS)[number]
export interface End {
  ident: string
  /** null until somebody enters it */
  lat: number | null
  lon: number | null
  elevation_ft: number
  displaced_threshold_ft: number
  pattern: 'left' | 'right'
  pattern_spacing_nm: number | null
  base_angle_deg: number
  downwind_extension_s: number
  path_angle_deg: number
  aiming_marks_ft: number | null
  obstacle: { height_ft: number; before_threshold_ft: number } | null
  departure_obstacle: { height_ft: number; beyond_end_ft: number } | null
  exits: { name: string; at_ft: number }[]
  preferred: boolean
  surroundings: Surroundings
}
export interface Runway {
  width_ft: number
  surface: string
  ends: [End, End]
}
export interface Mark {
  name: string
  /** null: not entered */
  lat: number | null
  lon: number | null
  use: string
}
export interface Field {
  name: string
  ident: string
  elevation_ft: number
  pattern_altitude_ft: number | null
  runways: Runway[]
  marks: Mark[]
}
interface Feature {
  geometry: { type: string; coordinates: unknown }
  properties: Record<string, unknown>
}

/** Exits as they are typed: "A 900, B 1600", feet from the landing threshold. */
export const exitsText = (exits: End['exits']) => exits.map((one) => `${one.name} ${Math.round(one.at_ft)}`).join(', ')
/** Exits from what was typed; null where a piece is not a name with its feet. */
export function exitsFrom(text: string): End['exits'] | null {
  const pieces = text.split(/[,;]/).filter((piece) => piece.trim())
  const found = pieces.map((piece) => /^\s*(\S{1,12})\s+(\d{1,5})(?:\s*ft)?\s*$/.exec(piece))
  return found.some((one) => !one) ? null : found.map((one) => ({ name: one![1]!, at_ft: Number(one![2]) }))
}

const FT_PER_DEG = 364_600 // of latitude, near enough for a drawing; the server measures on the ellipsoid
interface Place {
  lat: number | null
  lon: number | null
}
export function eastNorth(from: Place, to: Place): [number, number] {
  if (from.lat === null || from.lon === null || to.lat === null || to.lon === null) return [NaN, NaN]
  const east = ((((to.lon - from.lon + 180) % 360) + 360) % 360) - 180 // the short way, across 180° too
  return [east * FT_PER_DEG * Math.cos((from.lat * Math.PI) / 180), (to.lat - from.lat) * FT_PER_DEG]
}
function runway(width_ft: number, surface: string, ends: [End, End]): Runway {
  return { width_ft, surface, ends }
}
export const lengthFt = (one: Runway) => Math.hypot(...eastNorth(one.ends[0], one.ends[1]))
export function courseDeg(one: Runway) {
  const [east, north] = eastNorth(one.ends[0], one.ends[1])
  return ((Math.atan2(east, north) * 180) / Math.PI + 360) % 360
}
function end(
  ident: string,
  lat: number | null,
  lon: number | null,
  elevation_ft: number,
  given: Record<string, unknown> = {},
): End {
  const number = (name: string, usual: number) => (typeof given[name] === 'number' ? (given[name] as number) : usual)
  return {
    ident,
    lat,
    lon,
    elevation_ft: number('elevation_ft', elevation_ft),
    displaced_threshold_ft: number('displaced_threshold_ft', 0),
    pattern: given.pattern === 'right' ? 'right' : 'left',
    pattern_spacing_nm: typeof given.pattern_spacing_nm === 'number' ? given.pattern_spacing_nm : null,
    base_angle_deg: number('base_angle_deg', 90),
    downwind_extension_s: number('downwind_extension_s', 0),
    path_angle_deg: number('path_angle_deg', 3),
    aiming_marks_ft: typeof given.aiming_marks_ft === 'number' ? given.aiming_marks_ft : null,
    obstacle: (given.obstacle as End['obstacle']) ?? null,
    departure_obstacle: (given.departure_obstacle as End['departure_obstacle']) ?? null,
    exits: Array.isArray(given.exits) ? (given.exits as End['exits']) : [],
    preferred: given.preferred === true,
    surroundings: SURROUNDINGS.find((one) => one === given.surroundings) ?? 'open',
  }
}
export function blankField(beside?: Field): Field {
  const near = beside?.runways[0]?.ends[0] ?? { lat: null, lon: null, elevation_ft: 0 }
  return {
    name: '',
    ident: '',
    elevation_ft: near.elevation_ft,
    pattern_altitude_ft: null,
    runways: [
      runway(60, beside ? 'asphalt' : 'unknown', [
        end('09', near.lat, near.lon, near.elevation_ft),
        end('27', near.lat, near.lon === null ? null : near.lon + 0.01, near.elevation_ft),
      ]),
    ],
    marks: [],
  }
}
/** What of a field nobody has entered yet, in words; empty when it can be kept. */
export function missingOf(field: Field): string[] {
  const is = (value: unknown) => typeof value === 'number' && Number.isFinite(value)
  const isNowhere = (at: { lat: unknown; lon: unknown }) => !is(at.lat) || !is(at.lon)
  return [
    ...field.runways.flatMap((one) =>
      one.ends.filter(isNowhere).map((at) => say('words.where-the-pavement-of-runway', { ident: at.ident || '?' })),
    ),
    ...field.marks.flatMap((mark, m) =>
      isNowhere(mark) ? [say('words.where-the-ground-mark-is', { number: m + 1, name: mark.name || '?' })] : [],
    ),
  ]
}
/** Read what the server wrote or a file holds; throws with words for the user. */
export function fromGeoJson(data: GeoJson): Field {
  if (data.type !== 'FeatureCollection' || !Array.isArray(data.features))
    throw new Error(say('words.not-a-geojson-featurecollection'))
  const features = data.features as unknown as Feature[]
  const kind = (one: Feature) => one.properties?.kind
  const point = features.find((one) => one.geometry?.type === 'Point' && kind(one) !== 'mark')
  const about = point?.properties ?? {}
  const elevation = typeof about.elevation_ft === 'number' ? about.elevation_ft : 0
  const runways = features
    .filter((one) => one.geometry?.type === 'LineString')
    .map((one) => {
      const [[lonA, latA], [lonB, latB]] = one.geometry.coordinates as [[number, number], [number, number]]
      const ends = (one.properties.ends ?? [{}, {}]) as [Record<string, unknown>, Record<string, unknown>]
      return runway(Number(one.properties.width_ft ?? 60), String(one.properties.surface ?? 'asphalt'), [
        end(String(ends[0]?.ident ?? ''), latA, lonA, elevation, ends[0]),
        end(String(ends[1]?.ident ?? ''), latB, lonB, elevation, ends[1]),
      ])
    })
  if (!runways.length) throw new Error(say('words.no-runway-in-it-a'))
  return {
    name: String(about.name ?? about.ident ?? ''),
    ident: String(about.ident ?? ''),
    elevation_ft: elevation,
    pattern_altitude_ft: typeof about.pattern_altitude_ft === 'number' ? about.pattern_altitude_ft : null,
    runways,
    marks: features
      .filter((one) => kind(one) === 'mark')
      .map((one) => {
        const [lon, lat] = one.geometry.coordinates as [number, number]
        return { name: String(one.properties.name ?? ''), lat, lon, use: String(one.properties.use ?? 'other') }
      }),
  }
}
export function toGeoJson(field: Field): GeoJson {
  const first = field.runways[0]!.ends[0]
  const feature = (type: string, coordinates: unknown, properties: Record<string, unknown>) => ({
    type: 'Feature',
    geometry: { type, coordinates },
    properties,
  })
  return {
    type: 'FeatureCollection',
    features: [
      feature('Point', [first.lon, first.lat], {
        kind: 'airfield',
        name: field.name,
        ident: field.ident,
        elevation_ft: field.elevation_ft,
        pattern_altitude_ft: field.pattern_altitude_ft,
      }),
      ...field.runways.map((one) =>
        feature(
          'LineString',
          one.ends.map((at) => [at.lon, at.lat]),
          {
            kind: 'runway',
            width_ft: one.width_ft,
            surface: one.surface,
            ends: one.ends.map((at) => ({ ...at, lat: undefined, lon: undefined })),
          },
        ),
      ),
      ...field.marks.map((mark) =>
        feature('Point', [mark.lon, mark.lat], { kind: 'mark', name: mark.name, use: mark.use }),
      ),
    ],
  }
}
