/** Draws what is seen from the seat: paper sky, plain ground, tarmac and its paint, lights, the nose. */
import { camera, focalPx, horizon, type Eye, type Point } from './sight'

export interface Drawn {
  kind: string
  name: string
  corners_ft: readonly (readonly number[])[]
}
export interface Seat {
  eye_height_ft: number
  blind_distance_ft: number
}
const SKY = '#dfe8ea'
const GROUND = '#b9bea2'
const MARKS = '#a2a88a'
const TARMAC = '#454c55'
const PAINT = '#f6f3ea'
const NOSE = '#16212b'

/** One picture of a scene that stands still. */
export function draw(pen: CanvasRenderingContext2D, scene: readonly Drawn[], eye: Eye, seat: Seat): void {
  const { width_px: width, height_px: height } = eye
  const see = camera(eye)
  pen.fillStyle = SKY
  pen.fillRect(0, 0, width, height)
  fill(pen, [...horizon(eye), [width * 2, height * 3], [-width, height * 3]], GROUND)
  for (const one of scene) {
    const at = see(one.corners_ft as unknown as readonly Point[])
    if (!at.length) continue
    if (one.kind === 'pavement') fill(pen, at, TARMAC)
    else if (one.kind === 'paint') fill(pen, at, PAINT)
    else if (one.kind === 'ground') dot(pen, at[0]!, 2, MARKS)
    else if (one.kind === 'edge_light') dot(pen, at[0]!, 1.5, PAINT)
  }
  nose(pen, eye, seat)
}
function fill(pen: CanvasRenderingContext2D, at: readonly (readonly [number, number])[], colour: string): void {
  pen.fillStyle = colour
  pen.beginPath()
  at.forEach(([x, y], k) => (k ? pen.lineTo(x, y) : pen.moveTo(x, y)))
  pen.closePath()
  pen.fill()
}
function dot(pen: CanvasRenderingContext2D, [x, y]: readonly [number, number], size: number, colour: string): void {
  pen.fillStyle = colour
  pen.fillRect(x - size / 2, y - size / 2, size, size)
}
/** The cowling hides the ground as it does on the wheels: a gentle curve, fixed in the picture. */
function nose(pen: CanvasRenderingContext2D, eye: Eye, seat: Seat): void {
  const below = Math.min(1.3, Math.atan2(seat.eye_height_ft, Math.max(1, seat.blind_distance_ft)))
  const top = eye.height_px / 2 + focalPx(eye) * Math.tan(below)
  pen.fillStyle = NOSE
  pen.beginPath()
  pen.moveTo(0, eye.height_px)
  pen.lineTo(0, top + eye.height_px * 0.12)
  pen.quadraticCurveTo(eye.width_px / 2, top - eye.height_px * 0.12, eye.width_px, top + eye.height_px * 0.12)
  pen.lineTo(eye.width_px, eye.height_px)
  pen.closePath()
  pen.fill()
}
