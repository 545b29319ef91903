/** Which picture tells most next: the twin of the core's reckoning, so that a drill needs no network. */
import { normalCdf } from './normal'

export const SAID = ['high', 'low', 'right'] as const
export type Said = (typeof SAID)[number]
const SLIPS = 0.02
const spaced = (from: number, to: number, n: number) =>
  Array.from({ length: n }, (_, k) => from + ((to - from) * k) / (n - 1))
const to = (digits: number) => (value: number) => Number(value.toFixed(digits))
export const SIGMAS_DEG = spaced(Math.log(0.06), Math.log(2.5), 32).map((one) => to(4)(Math.exp(one)))
export const BIASES_DEG = spaced(-1.5, 1.5, 21).map(to(3))
export const KAPPAS = [0.25, 0.5, 0.8, 1.2]
const STEPS_DEG = [0, 0.1, 0.2, 0.3, 0.45, 0.6, 0.8, 1, 1.4, 1.8]
export const OFFSETS_DEG = [...new Set(STEPS_DEG.flatMap((one) => [-one + 0, one]))].sort((a, b) => a - b)
const CELLS = SIGMAS_DEG.length * BIASES_DEG.length * KAPPAS.length

/** By what was said and by offset: the chance of it in every cell of what may be believed. */
function table(): Float64Array[][] {
  const found = SAID.map(() => OFFSETS_DEG.map(() => new Float64Array(CELLS)))
  OFFSETS_DEG.forEach((off, o) => {
    let cell = 0
    for (const sigma of SIGMAS_DEG)
      for (const bias of BIASES_DEG)
        for (const kappa of KAPPAS) {
          const felt = (off - bias) / sigma
          const high = normalCdf(felt - kappa)
          const low = normalCdf(-felt - kappa)
          const seen = [high, low, Math.max(0, 1 - high - low)]
          for (let k = 0; k < 3; k++) found[k]![o]![cell] = SLIPS / 3 + (1 - SLIPS) * seen[k]!
          cell++
        }
  })
  return found
}
let chances: Float64Array[][] | null = null
const known = () => (chances ??= table())

/** What is believed before any picture. */
export function before(): Float64Array {
  const found = new Float64Array(CELLS)
  let cell = 0
  for (let s = 0; s < SIGMAS_DEG.length; s++)
    for (const bias of BIASES_DEG)
      for (let k = 0; k < KAPPAS.length; k++) found[cell++] = Math.exp(-(bias ** 2) / (2 * 0.6 ** 2))
  return scaled(found)
}
function scaled(values: Float64Array): Float64Array {
  let sum = 0
  for (const one of values) sum += one
  return values.map((one) => one / sum)
}
/** What is believed after one more answer. */
export function after(belief: Float64Array, offDeg: number, said: Said): Float64Array {
  const of = known()[SAID.indexOf(said)]![OFFSETS_DEG.indexOf(offDeg)]!
  return scaled(belief.map((one, cell) => one * of[cell]!))
}
/** The offset of the least expected entropy; the first of those that are alike. */
export function nextOffsetDeg(belief: Float64Array): number {
  const expected = OFFSETS_DEG.map((_, o) => {
    let entropy = 0
    for (let k = 0; k < 3; k++) {
      const of = known()[k]![o]!
      let total = 0
      for (let cell = 0; cell < CELLS; cell++) total += belief[cell]! * of[cell]!
      let sum = 0
      for (let cell = 0; cell < CELLS; cell++) {
        const share = (belief[cell]! * of[cell]!) / total
        sum += share * Math.log(share + 1e-300)
      }
      entropy -= total * sum
    }
    return Math.round(entropy * 1e9)
  })
  return OFFSETS_DEG[expected.indexOf(Math.min(...expected))]!
}
/** Over many answers at once, as the tests compare it. */
export function trace(answers: readonly (readonly [number, Said])[]): number[] {
  let belief = before()
  const found = [nextOffsetDeg(belief)]
  for (const [off, said] of answers) {
    belief = after(belief, off, said)
    found.push(nextOffsetDeg(belief))
  }
  return found
}
