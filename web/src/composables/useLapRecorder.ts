/**
 * The lap being recorded: every change is kept on this device at once under the id made here and sent when there is a
 * chance, so that nothing that was tapped needs a network. What is seen before a lap ends waits in a draft.
 */
import { say } from '@/said'
import { computed, ref, type Ref } from 'vue'
import type { Lap, LapIn, Person } from '@/api/types'
import { device, fromDevice, type Draft } from '@/offline/device'
import { newId } from '@/offline/ids'
import { shownLaps } from '@/offline/shown'
import { useSync } from '@/offline/sync'
import { useUndo } from '@/stores/undo'

export function useLapRecorder(sortieId: number, laps: Ref<readonly Lap[]>, person: Ref<Person | null>) {
  const sync = useSync()
  const undo = useUndo()
  const id = ref<string | null>(null) // null: the next lap, not begun
  const draft = ref<Partial<LapIn>>({})
  const onlyInMemory = ref(false)

  const shown = computed(() =>
    shownLaps(
      laps.value,
      sync.waiting.filter((one) => one.sortie_id === sortieId),
    ),
  )
  const current = computed(() => shown.value.find((one) => one.id === id.value) ?? null)
  const lap = computed(() => current.value?.result ?? null)
  const values = computed<Partial<LapIn> | null>(() => current.value?.values ?? (id.value ? null : draft.value))

  void fromDevice<Draft | undefined>(() => device.drafts.get(sortieId), undefined).then((row) => {
    if (row && !Object.keys(draft.value).length) draft.value = row.values
  })

  let begun: string | null = null // the lap that the next tap belongs to, before it is on the screen
  /** The next lap, not begun. */
  function begin() {
    begun = null
    id.value = null
  }
  /** Look at a lap. */
  function open(lapId: string | null) {
    begun = lapId
    id.value = lapId
  }

  async function keep(lapId: string, kept: LapIn | null) {
    const known = laps.value.find((one) => one.id === lapId)
    const where = await sync.put({
      sortie_id: sortieId,
      person_id: person.value?.id ?? 0,
      person_name: person.value?.name ?? '',
      lap_id: lapId,
      values: kept,
      had_revision: known?.revision ?? null,
    })
    onlyInMemory.value = where === 'memory'
  }
  async function keepDraft(kept: Partial<LapIn>) {
    draft.value = kept
    await fromDevice(() => device.drafts.put({ sortie_id: sortieId, values: JSON.parse(JSON.stringify(kept)) }), 0)
  }

  /** A step that can be taken back, also after the page was loaded anew. */
  async function remember(what: string, lapId: string, before: LapIn | null) {
    const row = { sortie_id: sortieId, what, lap_id: lapId, before: JSON.parse(JSON.stringify(before)) as LapIn | null }
    const key = await fromDevice<number | undefined>(() => device.steps.add({ ...row } as never), undefined)
    offer(what, lapId, before, key)
  }
  function offer(what: string, lapId: string, before: LapIn | null, key: number | undefined) {
    undo.done(what, async () => {
      if (key !== undefined) await fromDevice(() => device.steps.delete(key), undefined)
      await keep(lapId, before)
      if (before) open(lapId)
      else if (id.value === lapId || begun === lapId) begin()
    })
  }
  void fromDevice(() => device.steps.where('sortie_id').equals(sortieId).sortBy('n'), []).then((rows) => {
    if (!undo.steps.length) for (const row of rows) offer(row.what, row.lap_id, row.before, row.n)
  })

  /** A lap as last changed, on the screen already or not. */
  const latestOf = (lapId: string | null) =>
    lapId ? (sync.writingOf(lapId)?.values ?? shown.value.find((one) => one.id === lapId)?.values ?? null) : null
  /** What the next key press goes on from: keys come faster than storage answers. */
  const latest = (): Partial<LapIn> => latestOf(id.value ?? begun) ?? draft.value

  /** Change the lap in hand, or end the next one: it begins its life here. */
  async function change(what: string, part: Partial<LapIn>) {
    const lapId = id.value ?? begun ?? newId()
    const before = latestOf(lapId)
    begun = lapId
    const seen = before ?? draft.value
    const written: LapIn = {
      outcome: 'touch_and_go',
      ...(before ? {} : { flown_at: new Date().toISOString() }),
      ...seen,
      ...part,
      known_by: { ...seen.known_by, ...part.known_by },
    }
    const wasDraft = !before
    await keep(lapId, written) // first of all: what is drawn comes after
    if (begun === lapId) id.value = lapId
    // the wind has turned: the laps after it are flown to the same runway
    if (wasDraft) await keepDraft(seen.runway_end_id ? { runway_end_id: seen.runway_end_id } : {})
    await remember(what, lapId, before)
  }
  /** Note what is seen: on the lap in hand, or on the one that is being flown. */
  async function note(what: string, part: Partial<LapIn>) {
    if (id.value ?? begun) return change(what, part)
    await keepDraft({ ...draft.value, ...part, known_by: { ...draft.value.known_by, ...part.known_by } })
  }
  /** Take a lap away; undo brings it back. */
  async function remove() {
    const one = current.value
    if (!one) return
    begin()
    await keep(one.id, null)
    await remember(say('parts.removed-lap'), one.id, one.values)
  }
  return { id, shown, current, lap, values, draft, latest, onlyInMemory, begin, open, change, note, keepDraft, remove }
}
