/**
 * The lap being recorded: every change is saved at once under the id made here, one request after another, so that the
 * last tap wins. A change that could not be saved stays on the screen and is sent with the next one, or on "try again".
 */
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref, type Ref } from 'vue'
import { ApiError } from '@/api/client'
import { api, forgetSortie } from '@/api/queries'
import type { Lap, LapIn } from '@/api/types'
import { useUndo } from '@/stores/undo'

/** A version 4 UUID; `crypto.randomUUID` is missing where a page is served without TLS. */
export function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16))
  bytes[6] = (bytes[6]! & 0x0f) | 0x40
  bytes[8] = (bytes[8]! & 0x3f) | 0x80
  const hex = [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('')
  return hex.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5')
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
    aim_point_ft: lap.aim_point_ft,
    known_by: lap.known_by as LapIn['known_by'],
  }
}

export function useLapRecorder(sortieId: number, laps: Ref<readonly Lap[]>) {
  const client = useQueryClient()
  const undo = useUndo()
  const id = ref<string | null>(null) // null: the next lap, not begun
  const unsaved = ref<{ id: string; values: LapIn } | null>(null)
  const problem = ref('')
  const fields = ref<Record<string, string>>({})
  const saving = ref(0)
  let line: Promise<unknown> = Promise.resolve()

  const lap = computed(() => laps.value.find((one) => one.id === id.value) ?? null)
  const values = computed<LapIn | null>(() => {
    if (unsaved.value && unsaved.value.id === id.value) return unsaved.value.values
    return lap.value ? asWritten(lap.value) : null
  })

  async function send(lapId: string, written: LapIn) {
    saving.value += 1
    try {
      await api.keepLap(sortieId, lapId, written)
      problem.value = ''
      fields.value = {}
      await forgetSortie(client, sortieId)
      if (unsaved.value?.values === written) unsaved.value = null
    } catch (error) {
      problem.value = error instanceof Error ? error.message : 'Not saved.'
      fields.value = error instanceof ApiError ? error.fields : {}
    } finally {
      saving.value -= 1
    }
  }
  function inLine(act: () => Promise<unknown>) {
    line = line.then(act, act)
    return line
  }

  /** Change the lap in hand, or begin the next one. */
  function change(what: string, part: Partial<LapIn>) {
    const before = values.value
    const lapId = id.value ?? newId()
    const written: LapIn = {
      ...(before ?? { outcome: 'touch_and_go', flown_at: new Date().toISOString() }),
      ...part,
      known_by: { ...before?.known_by, ...part.known_by },
    }
    unsaved.value = { id: lapId, values: written }
    id.value = lapId
    void inLine(() => send(lapId, written))
    undo.done(what, () =>
      inLine(async () => {
        if (before) {
          unsaved.value = { id: lapId, values: before }
          await send(lapId, before)
          return
        }
        unsaved.value = null
        problem.value = ''
        fields.value = {}
        if (id.value === lapId) id.value = null
        await api.removeLap(sortieId, lapId).catch((error: unknown) => {
          // a lap that never reached the server is gone already
          if (!(error instanceof ApiError && error.status === 404)) throw error
        })
        await forgetSortie(client, sortieId)
      }),
    )
  }
  /** Take a lap away; undo brings it back. */
  function remove() {
    const lapId = id.value
    const before = values.value
    if (!lapId || !before) return
    id.value = null
    unsaved.value = null
    void inLine(async () => {
      try {
        await api.removeLap(sortieId, lapId)
        await forgetSortie(client, sortieId)
        undo.done('removed lap', () =>
          inLine(async () => {
            await send(lapId, before)
            id.value = lapId
          }),
        )
      } catch (error) {
        problem.value = error instanceof Error ? error.message : 'Not removed.'
        id.value = lapId
      }
    })
  }
  function retry() {
    const waiting = unsaved.value
    if (waiting) void inLine(() => send(waiting.id, waiting.values))
  }
  return { id, lap, values, problem, fields, saving, unsaved, change, remove, retry }
}
