import type { Lap } from '@/api/types'

/** How far beyond its own spot a lap touched [ft]; null while nobody has marked it. */
export const fromSpotFt = (lap: Lap) => (lap.along_ft === null ? null : lap.along_ft - lap.spot_ft)
