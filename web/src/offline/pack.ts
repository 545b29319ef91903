/** A piece of track as it goes over the wire: differences, which pack small, gzipped. */
import type { TrackPiece } from './device'

/** The first value, then how much each differs from the one before. */
export function differences(values: readonly number[]): number[] {
  return values.map((value, i) => (i === 0 ? value : value - values[i - 1]!))
}

/** Whether a column that not every receiver fills holds anything. */
const hasAny = (values: readonly (number | null)[] | undefined) => values?.some((value) => value !== null) ?? false

export async function packed(piece: TrackPiece): Promise<Blob> {
  const columns = {
    t: differences(piece.t),
    lat: differences(piece.lat),
    lon: differences(piece.lon),
    acc: differences(piece.acc),
    ...Object.fromEntries(
      (['alt', 'spd', 'crs'] as const).flatMap((name) => (hasAny(piece[name]) ? [[name, piece[name]]] : [])),
    ),
  }
  const plain = new Blob([JSON.stringify(columns)]).stream()
  return new Response(plain.pipeThrough(new CompressionStream('gzip'))).blob()
}
