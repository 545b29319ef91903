/** The one moment that every drawing of a replay shows; only what reads it is drawn again as it moves. */
import { say } from '@/said'
import { inject, onScopeDispose, provide, ref, type InjectionKey, type Ref } from 'vue'

export interface Cursor {
  time: Ref<number>
  playing: Ref<boolean>
  rate: Ref<number>
  go: (time: number) => void
  step: (seconds: number) => void
  toggle: () => void
}
const KEY: InjectionKey<Cursor> = Symbol('cursor')

/** Make the cursor of a replay; `span` are the times it moves between. */
export function provideCursor(span: () => readonly [number, number]): Cursor {
  const time = ref(0)
  const playing = ref(false)
  const rate = ref(2)
  let frame = 0
  let last = 0
  function tick(now: number) {
    if (!playing.value) return
    const [, end] = span()
    time.value = Math.min(end, time.value + ((now - last) / 1_000) * rate.value)
    last = now
    if (time.value >= end) playing.value = false
    else frame = requestAnimationFrame(tick)
  }
  const go = (to: number) => {
    const [start, end] = span()
    time.value = Math.min(end, Math.max(start, to))
  }
  const cursor: Cursor = {
    time,
    playing,
    rate,
    go,
    step: (seconds) => {
      playing.value = false
      go(time.value + seconds)
    },
    toggle: () => {
      playing.value = !playing.value
      if (!playing.value) return
      const [start, end] = span()
      if (time.value >= end) time.value = start
      last = performance.now()
      frame = requestAnimationFrame(tick)
    },
  }
  onScopeDispose(() => cancelAnimationFrame(frame))
  provide(KEY, cursor)
  return cursor
}

export function useCursor(): Cursor {
  const cursor = inject(KEY)
  if (!cursor) throw new Error(say('replay.a-drawing-of-a-replay'))
  return cursor
}
