/** The pinhole of the core in the browser: places in the frame of the runway to pixels, the same to a pixel. */
export type Point = readonly [number, number, number]

/** Where the eyes are [ft], which way the nose points [°], and the picture that is drawn. */
export interface Eye {
  along_ft: number
  lateral_ft: number
  height_ft: number
  heading_off_deg: number
  pitch_deg: number
  bank_deg: number
  fov_deg: number
  width_px: number
  height_px: number
}

const NEAREST_FT = 1
const DIP_DEG = 0.97 / 60
const rad = (deg: number) => (deg * Math.PI) / 180
export const focalPx = (eye: Eye) => eye.width_px / 2 / Math.tan(rad(eye.fov_deg / 2))
export const horizonDipDeg = (heightFt: number) => DIP_DEG * Math.sqrt(Math.max(0, heightFt))

/** Rows right, down and forward. */
export function axes(eye: Eye): [number[], number[], number[]] {
  const psi = rad(eye.heading_off_deg)
  const theta = rad(eye.pitch_deg)
  const phi = rad(eye.bank_deg)
  const forward = [Math.cos(theta) * Math.cos(psi), Math.cos(theta) * Math.sin(psi), Math.sin(theta)]
  const right = [-Math.sin(psi), Math.cos(psi), 0]
  const down = [Math.sin(theta) * Math.cos(psi), Math.sin(theta) * Math.sin(psi), -Math.cos(theta)]
  return [
    right.map((one, k) => Math.cos(phi) * one + Math.sin(phi) * down[k]!),
    down.map((one, k) => Math.cos(phi) * one - Math.sin(phi) * right[k]!),
    forward,
  ]
}

const dot = (a: readonly number[], b: readonly number[]) => a[0]! * b[0]! + a[1]! * b[1]! + a[2]! * b[2]!

/** Makes pixels of the corners of a shape; what lies behind the eye is cut off. */
export function camera(eye: Eye): (corners: readonly Point[]) => [number, number][] {
  const [right, down, forward] = axes(eye)
  const focal = focalPx(eye)
  const seen = (p: Point): Point => {
    const off = [p[0] - eye.along_ft, p[1] - eye.lateral_ft, p[2] - eye.height_ft]
    return [dot(off, right), dot(off, down), dot(off, forward)]
  }
  const pixel = (p: Point): [number, number] => [
    eye.width_px / 2 + (focal * p[0]) / p[2],
    eye.height_px / 2 + (focal * p[1]) / p[2],
  ]
  return (corners) => {
    const at = corners.map(seen)
    if (at.length === 1) return at[0]![2] >= NEAREST_FT ? [pixel(at[0]!)] : []
    const found: [number, number][] = []
    for (let k = 0; k < at.length; k++) {
      const here = at[k]!
      const before = at[(k + at.length - 1) % at.length]!
      if (here[2] >= NEAREST_FT !== before[2] >= NEAREST_FT) {
        const share = (NEAREST_FT - before[2]) / (here[2] - before[2])
        found.push(pixel([0, 1, 2].map((i) => before[i]! + share * (here[i]! - before[i]!)) as unknown as Point))
      }
      if (here[2] >= NEAREST_FT) found.push(pixel(here))
    }
    return found
  }
}

/** The horizon as a line across the picture, left to right. */
export function horizon(eye: Eye): [number, number][] {
  const drop = Math.tan(rad(horizonDipDeg(eye.height_ft)))
  const see = camera(eye)
  const found: [number, number][] = []
  for (let k = 0; k <= 32; k++) {
    const azimuth = rad(eye.heading_off_deg - 80 + 5 * k)
    const away = 1e6
    found.push(
      ...see([
        [
          eye.along_ft + away * Math.cos(azimuth),
          eye.lateral_ft + away * Math.sin(azimuth),
          eye.height_ft - away * drop,
        ],
      ]),
    )
  }
  return found
}
