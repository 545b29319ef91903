/** The lap to fly next: proposed by the lap plan, answered by the server, or by this device where there is no network. */
import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { briefForQuery } from '@/api/queries'
import type { Brief, LandingKind, LapIn, Plan, PlannedLap, Sortie } from '@/api/types'
import { useAboard } from '@/composables/useAboard'
import { lapOnDevice, nextLap, type AnswerTable, type Flown } from '@/offline/answers'
import type { ShownLap } from '@/offline/shown'

const NOT_LANDING = new Set(['go_around', 'low_approach', 'hold_off_drill'])

export function useNextLap(
  id: number,
  sortie: Ref<Sortie | undefined>,
  plan: Ref<Plan | undefined>,
  shown: Ref<readonly ShownLap[]>,
  draft: Ref<Partial<LapIn>>,
) {
  const aboard = useAboard(id)
  const planned = computed<PlannedLap | null>(() => plan.value?.lap_plan.laps[shown.value.length] ?? null)
  const isExercise = computed(() => planned.value !== null && NOT_LANDING.has(planned.value.kind))
  const landing = computed<LandingKind>(() => {
    const proposed = planned.value && !isExercise.value ? (planned.value.kind as LandingKind) : null
    return draft.value.landing ?? proposed ?? sortie.value?.landing ?? 'normal'
  })
  const spotFt = computed(() => draft.value.spot_ft ?? planned.value?.spot_ft ?? sortie.value?.spot_ft ?? 0)
  const briefState = useQuery(computed(() => briefForQuery(id, landing.value, spotFt.value)))
  const brief = computed<Brief | undefined>(() => briefState.data.value?.brief)

  const table = (kind: LandingKind): AnswerTable | null =>
    (aboard.value?.data.answers as Record<string, AnswerTable> | undefined)?.[kind] ?? null
  /** The headwind read on a lap, on this runway. */
  function headwind(values: LapIn): number | null {
    if (values.wind_kt == null || values.wind_dir_deg_mag == null || !sortie.value) return null
    return values.wind_kt * Math.cos(((values.wind_dir_deg_mag - sortie.value.course_deg_mag) * Math.PI) / 180)
  }
  /** Laps that the table does not know yet, with the aim each was flown by. */
  const sinceTaken = computed(() => {
    const known = new Set(aboard.value?.data.laps.laps.map((one) => one.id) ?? [])
    return shown.value.filter((one) => !known.has(one.id))
  })
  function flownLaps(kind: LandingKind, before?: string): Flown[] {
    const answers = table(kind)
    if (!answers) return []
    const flown: Flown[] = []
    for (const one of sinceTaken.value) {
      if (one.id === before) break
      if ((one.values.landing ?? sortie.value?.landing) !== kind) continue
      const aim_ft =
        one.values.aim_point_ft ?? nextLap(answers, flown, one.values.spot_ft ?? undefined)?.aim_point_ft ?? answers.briefed_aim_ft
      flown.push({
        along_ft: one.values.along_ft ?? null,
        aim_ft,
        threshold_speed_kias: one.values.threshold_speed_kias ?? null,
        headwind_kt: headwind(one.values),
        excluded: !!one.values.excluded,
      })
    }
    return flown
  }
  /** The figures of the next lap: the server's while it knows every lap, else this device's. */
  const isFromDevice = computed(() => table(landing.value) !== null && shown.value.some((one) => one.waits && one.values))
  const figures = computed(() => {
    if (!brief.value) return null
    const answers = isFromDevice.value ? table(landing.value) : null
    const next = answers && nextLap(answers, flownLaps(landing.value), spotFt.value)
    if (!next) return brief.value
    const by = next.aim_point_ft - brief.value.aim_point_ft
    return {
      ...brief.value,
      aim_point_ft: next.aim_point_ft,
      hit_chance: next.hit_chance,
      predicted_touchdown_ft: next.predicted_ft,
      predicted_band_ft: brief.value.predicted_band_ft && [
        brief.value.predicted_band_ft[0]! + by,
        brief.value.predicted_band_ft[1]! + by,
      ],
      aim_before_spot_words: '',
    } as Brief
  })
  function resultHere(one: ShownLap) {
    const kind = (one.values.landing ?? sortie.value?.landing ?? 'normal') as LandingKind
    const answers = table(kind)
    if (!answers) return null
    const spot = one.values.spot_ft ?? sortie.value?.spot_ft ?? answers.spot_ft
    const before = flownLaps(kind, one.id)
    const recommended = nextLap(answers, before, spot)?.aim_point_ft ?? answers.briefed_aim_ft
    return lapOnDevice(
      answers,
      {
        along_ft: one.values.along_ft ?? null,
        aim_ft: one.values.aim_point_ft ?? recommended,
        threshold_speed_kias: one.values.threshold_speed_kias ?? null,
        headwind_kt: headwind(one.values),
        excluded: !!one.values.excluded,
      },
      spot,
      recommended,
    )
  }
  return { planned, landing, spotFt, briefState, brief, figures, isFromDevice, resultHere }
}
