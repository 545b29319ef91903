/** The lap to fly next: proposed by the lap plan, answered by the server, or by this device where there is no network. */
import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { briefForQuery } from '@/api/queries'
import type { Brief, LandingKind, LapIn, Plan, PlannedLap, Sortie } from '@/api/types'
import { useAboard } from '@/composables/useAboard'
import { windReadOf } from '@/composables/useWindRead'
import { lapOnDevice, nextLap, type AnswerTable, type Flown } from '@/offline/answers'
import { briefNow } from '@/offline/briefed'
import type { ShownLap } from '@/offline/shown'
import { answersOf } from '@/offline/tables'
import { windOn } from '@/offline/wind'
import { landingLength } from '@/strip/places'

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
  const ends = computed(() => sortie.value?.ends ?? []) // none in a copy taken along before they were part of it
  /** The runway a lap is flown to: its own, else the sortie's. */
  const endOf = (values: Partial<LapIn> | null | undefined) => values?.runway_end_id ?? sortie.value?.runway_end_id ?? 0
  const endId = computed(() => endOf(draft.value))
  const runwayOf = (end: number) => ends.value.find((one) => one.id === end)?.runway ?? sortie.value?.runway
  const spotFt = computed(() => {
    const wanted = draft.value.spot_ft ?? planned.value?.spot_ft ?? sortie.value?.spot_ft ?? 0
    const runway = runwayOf(endId.value)
    // on a shorter runway the sortie's spot may lie beyond the end
    return runway && endId.value !== sortie.value?.runway_end_id
      ? Math.min(wanted, Math.max(0, landingLength(runway) - 300))
      : wanted
  })
  /** The wind that was read last, on the lap in hand or on the latest that has one; null: as the sortie has it. */
  const windRead = computed(() => windReadOf(sortie.value, shown.value, draft.value))
  const isElsewhere = computed(() => endId.value !== sortie.value?.runway_end_id)
  const briefState = useQuery(
    computed(() =>
      briefForQuery(
        id,
        landing.value,
        spotFt.value,
        isElsewhere.value && sortie.value ? endId.value : null,
        windRead.value,
      ),
    ),
  )
  /** Of the lap that is asked for: the answer to what was asked before is no answer to this. */
  const brief = computed<Brief | undefined>(() =>
    briefState.isPlaceholderData.value ? undefined : briefState.data.value?.brief,
  )

  const answers = (kind: LandingKind, end: number) => (aboard.value ? answersOf(aboard.value.data, kind, end) : null)
  const table = (kind: LandingKind, end: number): AnswerTable | null => answers(kind, end)?.table ?? null
  const courseOf = (end: number) =>
    ends.value.find((one) => one.id === end)?.course_deg_mag ?? sortie.value?.course_deg_mag ?? 0
  /** The headwind read on a lap, on the runway it was flown to. */
  function headwind(values: LapIn): number | null {
    if (values.wind_kt == null || values.wind_dir_deg_mag == null || !sortie.value) return null
    const wind = { from_deg_mag: values.wind_dir_deg_mag, kt: values.wind_kt, gust_kt: null }
    return windOn(wind, courseOf(endOf(values))).head_kt
  }
  /** Laps that the table does not know yet, with the aim each was flown by. */
  const sinceTaken = computed(() => {
    const known = new Set(aboard.value?.data.laps.laps.map((one) => one.id) ?? [])
    return shown.value.filter((one) => !known.has(one.id))
  })
  function flownLaps(kind: LandingKind, end: number, before?: string): Flown[] {
    const answers = table(kind, end)
    if (!answers) return []
    const flown: Flown[] = []
    for (const one of sinceTaken.value) {
      if (one.id === before) break
      if ((one.values.landing ?? sortie.value?.landing) !== kind || endOf(one.values) !== end) continue
      const aim_ft =
        one.values.aim_point_ft ??
        nextLap(answers, flown, one.values.spot_ft ?? undefined)?.aim_point_ft ??
        answers.briefed_aim_ft
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
  /** The figures of the next lap: the server's while it knows every lap and the wind, else this device's. */
  const isFromDevice = computed(
    () =>
      table(landing.value, endId.value) !== null &&
      (shown.value.some((one) => one.waits && one.values) || briefState.isPlaceholderData.value),
  )
  const figures = computed<Brief | null>(() => {
    const known = isFromDevice.value ? answers(landing.value, endId.value) : null
    if (!known) return brief.value ?? null
    const now = windRead.value && windOn(windRead.value, known.courseDegMag)
    const laps = flownLaps(landing.value, endId.value)
    return briefNow(known.brief, known.table, laps, spotFt.value, now, windRead.value?.from_deg_mag ?? null)
  })
  /** Asked of the server, which has not answered yet, and this device cannot. */
  const isAsking = computed(() => figures.value === null && briefState.isPlaceholderData.value)
  function resultHere(one: ShownLap) {
    const kind = (one.values.landing ?? sortie.value?.landing ?? 'normal') as LandingKind
    const end = endOf(one.values)
    const answers = table(kind, end)
    if (!answers) return null
    const spot = one.values.spot_ft ?? sortie.value?.spot_ft ?? answers.spot_ft
    const before = flownLaps(kind, end, one.id)
    const recommended = nextLap(answers, before, spot)?.aim_point_ft ?? answers.briefed_aim_ft
    const { box_minus_spot_ft: box } = answers
    const result = lapOnDevice(
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
    const box_ft: [number, number] = [spot + box[0]!, spot + box[1]!]
    return { ...result, box_ft, aim_ft: one.values.aim_point_ft ?? recommended }
  }
  return {
    planned,
    landing,
    ends,
    endId,
    endOf,
    runwayOf,
    spotFt,
    briefState,
    brief,
    figures,
    isAsking,
    isFromDevice,
    windRead,
    courseOf,
    resultHere,
  }
}
