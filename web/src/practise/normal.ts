/** The normal distribution, to the last digits: by its series near the middle, by a continued fraction far out. */
const ROOT_2PI = Math.sqrt(2 * Math.PI)

export function normalCdf(x: number): number {
  if (x < 0) return 1 - normalCdf(-x) < 1e-3 ? tail(-x) : 1 - normalCdf(-x)
  if (x > 3.5) return 1 - tail(x)
  let term = x
  let sum = x
  for (let k = 1; k < 200; k++) {
    term *= (x * x) / (2 * k + 1)
    sum += term
    if (term < 1e-18 * sum) break
  }
  return 0.5 + (sum * Math.exp((-x * x) / 2)) / ROOT_2PI
}
/** The chance beyond x, above 3 or so. */
function tail(x: number): number {
  let fraction = x
  for (let k = 120; k >= 1; k--) fraction = x + k / fraction
  return Math.exp((-x * x) / 2) / ROOT_2PI / fraction
}
