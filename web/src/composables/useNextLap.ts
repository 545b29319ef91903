/** The lap to fly next: proposed by the lap plan, answered by the server, or by this device where there is no network. */
import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { briefForQuery } from '@/api/queries'
import type { Brief, LandingKind, LapIn, Plan, PlannedLap, Sortie } from '@/api/types'
import { useAboard } from '@/composables/useAboard'
import { lapOnDevice, nextLap, overLimits, type AnswerTable, type Flown } from '@/offline/answers'
import type { ShownLap } from '@/offline/shown'
import { landingLength, staysGood } from '@/strip/places'

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
  const isElsewhere = computed(() => endId.value !== sortie.value?.runway_end_id)
  const briefState = useQuery(
    computed(() =>
      briefForQuery(id, landing.value, spotFt.value, isElsewhere.value && sortie.value ? endId.value : null),
    ),
  )
  const brief = computed<Brief | undefined>(() => briefState.data.value?.brief)

  const table = (kind: LandingKind, end: number): AnswerTable | null => {
    const data = aboard.value?.data
    if (!data || end === data.sortie.runway_end_id)
      return (data?.answers as Record<string, AnswerTable> | undefined)?.[kind] ?? null
    const there = kind === data.sortie.landing ? data.elsewhere?.find((one) => one.runway_end_id === end) : undefined
    return (there?.answers as AnswerTable | undefined) ?? null
  }
  /** The headwind read on a lap, on this runway. */
  function headwind(values: LapIn): number | null {
    if (values.wind_kt == null || values.wind_dir_deg_mag == null || !sortie.value) return null
    const course = ends.value.find((one) => one.id === endOf(values))?.course_deg_mag ?? sortie.value.course_deg_mag
    return values.wind_kt * Math.cos(((values.wind_dir_deg_mag - course) * Math.PI) / 180)
  }
  /** The wind that was read last, in the lap in hand or on the latest that has one, along and across this runway. */
  const windNow = computed(() => {
    const read = [...shown.value.map((one) => one.values), draft.value as LapIn]
      .filter((values) => values?.wind_kt != null && values.wind_dir_deg_mag != null)
      .at(-1)
    if (!read || !sortie.value) return null
    const course = ends.value.find((one) => one.id === endId.value)?.course_deg_mag ?? sortie.value.course_deg_mag
    const off = ((read.wind_dir_deg_mag! - course) * Math.PI) / 180
    return { along_kt: read.wind_kt! * Math.cos(off), across_kt: read.wind_kt! * Math.sin(off) }
  })
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
  /** The figures of the next lap: the server's while it knows every lap, else this device's. */
  const isFromDevice = computed(
    () => table(landing.value, endId.value) !== null && shown.value.some((one) => one.waits && one.values),
  )
  const figures = computed(() => {
    if (!brief.value) return null
    const answers = isFromDevice.value ? table(landing.value, endId.value) : null
    const wind = isFromDevice.value ? windNow.value : null
    const next =
      answers && nextLap(answers, flownLaps(landing.value, endId.value), spotFt.value, wind ? wind.along_kt : null)
    if (!next) return brief.value
    const over = wind ? overLimits(brief.value.wind.crosswind_limits, wind) : []
    const by = next.aim_point_ft - brief.value.aim.aim_point_ft
    const { aim, touchdown } = brief.value
    const is_good = !over.length && staysGood(brief.value, next.aim_point_ft, aim.box_ft[1]!)
    const [low, high] = touchdown.predicted_band_ft as [number, number]
    return {
      ...brief.value,
      cautions: [
        ...over.map((words) => ({ severity: 'stop' as const, words, alone_only: false })),
        ...brief.value.cautions,
      ],
      aim: {
        ...aim,
        aim_point_ft: next.aim_point_ft,
        aim_is_good: is_good,
        hit_chance: next.hit_chance,
        hit_chance_if_briefed: next.hit_chance_if_briefed,
        aim_before_spot_words: '',
      },
      touchdown: { ...touchdown, predicted_touchdown_ft: next.predicted_ft, predicted_band_ft: [low + by, high + by] },
    } as Brief
  })
  function resultHere(one: ShownLap) {
    const kind = (one.values.landing ?? sortie.value?.landing ?? 'normal') as LandingKind
    const end = endOf(one.values)
    const answers = table(kind, end)
    if (!answers) return null
    const spot = one.values.spot_ft ?? sortie.value?.spot_ft ?? answers.spot_ft
    const before = flownLaps(kind, end, one.id)
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
    isFromDevice,
    resultHere,
  }
}
