/** A figure of a drill, in words. */
import { say } from '@/said'
import type { PracticeLine } from '@/api/types'
import { fixed, round } from '@/words'

export function figureWords(one: Pick<PracticeLine, 'drill' | 'figure' | 'low' | 'high'>): string {
  const shown = (value: number) => (one.drill === 'path' ? fixed(value, 2) : round(value))
  const figure = shown(one.figure)
  const words =
    one.drill === 'path' ? say('practice.figure-path', { figure }) : say('practice.figure-roundout', { figure })
  return `${words} (${say('practice.between', { low: shown(one.low), high: shown(one.high) })})`
}
