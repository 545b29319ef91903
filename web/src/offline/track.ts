/** The tablet's own position as the sortie's track: with consent, kept on this device every few seconds. */
import { say } from '@/said'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { device, fromDevice, type TrackPiece } from './device'
import { newId } from './ids'
import { useSync } from './sync'

const PIECE = 600 // fixes: ten minutes at 1 Hz
const KEEP_EVERY = 5 // fixes: what a dead battery may cost
const SAME_CLOCK_MS = 60_000
const ABANDONED_MS = 120_000

interface Battery {
  level: number
}

async function batteryLevel(): Promise<number | null> {
  const ask = (navigator as { getBattery?: () => Promise<Battery> }).getBattery
  if (!ask) return null
  return (await ask.call(navigator).catch(() => null))?.level ?? null
}

/** A value the receiver may not tell, or tell as NaN while it stands, as a whole number. */
const scaled = (value: number | null, by: number) =>
  value === null || !Number.isFinite(value) ? null : Math.round(value * by)

export const useTrack = defineStore('track', () => {
  const sync = useSync()
  const sortieId = ref<number | null>(null)
  const fixes = ref(0)
  const began = ref(0)
  const lastAt = ref(0)
  const accuracyM = ref<number | null>(null)
  const problem = ref('')
  const batteryAtStart = ref<number | null>(null)
  const batteryNow = ref<number | null>(null)
  let watchId: number | null = null
  let piece: TrackPiece | null = null
  let personId = 0

  const minutes = computed(() => (began.value ? Math.round((lastAt.value - began.value) / 60_000) : 0))
  /** Percent an hour, measured; null until there is something to measure. */
  const batteryPerHour = computed(() => {
    if (batteryAtStart.value === null || batteryNow.value === null || minutes.value < 10) return null
    return ((batteryAtStart.value - batteryNow.value) * 100) / (minutes.value / 60)
  })

  async function keep(closed: 0 | 1) {
    if (!piece || !piece.t.length) return
    const row = { ...piece, closed, kept_ms: Date.now() }
    if (closed) piece = null
    const kept = await fromDevice(() => device.pieces.put(row), '')
    if (!kept) problem.value = say('device.the-track-cannot-be-kept')
    if (closed) sync.soon()
  }
  function take(position: GeolocationPosition) {
    const { latitude, longitude, accuracy, altitude, speed, heading } = position.coords
    if (sortieId.value === null) return
    problem.value = ''
    piece ??= {
      id: newId(),
      sortie_id: sortieId.value,
      person_id: personId,
      closed: 0,
      refused: '',
      by_clock: Math.abs(Date.now() - position.timestamp) < SAME_CLOCK_MS,
      t: [],
      lat: [],
      lon: [],
      acc: [],
      alt: [],
      spd: [],
      crs: [],
    }
    piece.t.push(Math.round(position.timestamp))
    piece.lat.push(Math.round(latitude * 1e7))
    piece.lon.push(Math.round(longitude * 1e7))
    piece.acc.push(Math.round(accuracy * 10))
    piece.alt?.push(scaled(altitude, 10))
    piece.spd?.push(scaled(speed, 100))
    piece.crs?.push(scaled(heading, 10))
    fixes.value += 1
    began.value ||= position.timestamp
    lastAt.value = position.timestamp
    accuracyM.value = accuracy
    if (piece.t.length >= PIECE) void keep(1)
    else if (piece.t.length % KEEP_EVERY === 0) void keep(0)
    if (fixes.value % 60 === 0) void batteryLevel().then((level) => (batteryNow.value = level))
  }
  async function start(ofSortie: number, ofPerson: number) {
    if (!('geolocation' in navigator) || !window.isSecureContext) {
      problem.value = say('device.this-browser-gives-no-position')
      return
    }
    await stop()
    personId = ofPerson
    sortieId.value = ofSortie
    fixes.value = 0
    began.value = 0
    batteryAtStart.value = batteryNow.value = await batteryLevel()
    watchId = navigator.geolocation.watchPosition(
      take,
      (error) => {
        problem.value =
          error.code === error.PERMISSION_DENIED
            ? say('device.the-position-is-not-allowed')
            : say('device.no-position-now-it-goes')
        if (error.code === error.PERMISSION_DENIED) void stop()
      },
      { enableHighAccuracy: true, maximumAge: 0 },
    )
  }
  async function stop() {
    if (watchId !== null) navigator.geolocation.clearWatch(watchId)
    watchId = null
    sortieId.value = null
    await keep(1)
  }
  /** Pieces that a killed app left open are closed and sent. */
  async function closeAbandoned() {
    const now = Date.now()
    const open = await fromDevice(() => device.pieces.where('closed').equals(0).toArray(), [])
    for (const one of open) {
      const kept = one.kept_ms ?? one.t.at(-1) ?? 0
      // one of the future was kept before the clock was set back
      if (kept < now - ABANDONED_MS || kept > now)
        await fromDevice(() => device.pieces.update(one.id, { closed: 1 }), 0)
    }
    sync.soon()
  }
  return { sortieId, fixes, minutes, accuracyM, problem, batteryPerHour, start, stop, closeAbandoned }
})
