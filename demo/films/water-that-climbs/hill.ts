// Draws the hillside: water that runs off a slope, the slope cut into steps, and the flight of eleven locks.
import {
  COLOURS,
  faded,
  fillPath,
  fillRect,
  HEIGHT,
  strokeLine,
  WIDTH,
  type Context,
} from '../paint.ts'
import { ramp } from '../times.ts'

const FOOT: readonly [number, number] = [90, 430]
const TOP: readonly [number, number] = [880, 200]
const LOCKS = 11

const slopeY = (x: number) => FOOT[1] + ((x - FOOT[0]) / (TOP[0] - FOOT[0])) * (TOP[1] - FOOT[1])

export interface HillState {
  /** How far water runs on the bare slope, 0 to 1; fades when the steps come. */
  running: number
  /** 0 a slope, 1 steps with water on each. */
  steps: number
  /** Where the boat is, 0 at the foot and 1 at the top; null without a boat. */
  boat: number | null
  /** How many of the locks are marked, 0 to 11. */
  marked: number
}

export function drawHill(c: Context, state: HillState, ms: number): void {
  fillRect(c, COLOURS.sky, 0, 0, WIDTH, HEIGHT)
  c.fillStyle = COLOURS.sun
  c.beginPath()
  c.arc(640, 90, 46, 0, Math.PI * 2)
  c.fill()
  farHills(c)
  ground(c, state)
  if (state.running > 0) runningWater(c, state.running, ms)
  if (state.boat !== null) smallBoat(c, state.boat, state.steps, ms)
  marks(c, state)
}

function farHills(c: Context): void {
  c.fillStyle = COLOURS.hillFar
  c.beginPath()
  c.moveTo(0, HEIGHT)
  for (let x = 0; x <= WIDTH; x += 16) c.lineTo(x, 270 - x * 0.11 - 34 * Math.sin(x * 0.008 + 1))
  c.lineTo(WIDTH, HEIGHT)
  c.fill()
}

/** The middle of step `index`, 0 at the foot to 11 at the top. */
function step(index: number) {
  const width = (TOP[0] - FOOT[0]) / LOCKS
  const left = index === 0 ? -20 : FOOT[0] + (index - 0.5) * width
  const right = index === LOCKS ? WIDTH + 20 : FOOT[0] + (index + 0.5) * width
  const y = FOOT[1] + (index / LOCKS) * (TOP[1] - FOOT[1])
  return { left, right, y }
}

function ground(c: Context, { steps }: HillState): void {
  const outline: [number, number][] = [[-20, HEIGHT]]
  for (let index = 0; index <= LOCKS; index += 1) {
    const { left, right, y } = step(index)
    const blend = (x: number) => slopeOutside(x) + (y - slopeOutside(x)) * steps
    outline.push([left, blend(left)], [right, blend(right)])
  }
  outline.push([WIDTH + 20, HEIGHT])
  fillPath(c, COLOURS.hillNear, outline)
  fillPath(
    c,
    COLOURS.earth,
    outline.map(([x, y]) => [x, y + 26]),
  )
  faded(c, (steps - 0.55) / 0.45, () => {
    for (let index = 0; index <= LOCKS; index += 1) {
      const { left, right, y } = step(index)
      fillRect(c, COLOURS.water, left + (index ? 4 : 0), y - 1, right - left - 4, 15)
      fillRect(c, COLOURS.waterLine, left + (index ? 4 : 0), y - 1, right - left - 4, 2)
      if (index < LOCKS) fillRect(c, COLOURS.woodDark, right - 2, y - 26, 5, 42)
    }
  })
}

function slopeOutside(x: number): number {
  return x < FOOT[0] ? FOOT[1] : x > TOP[0] ? TOP[1] : slopeY(x)
}

function runningWater(c: Context, running: number, ms: number): void {
  const front = TOP[0] - (TOP[0] - FOOT[0]) * Math.min(1, running)
  const alpha = running > 1 ? Math.max(0, 2 - running) : 1
  faded(c, alpha, () => {
    const points: [number, number][] = []
    for (let x = front; x <= TOP[0]; x += 10)
      points.push([x, slopeY(x) - 5 - 2 * Math.sin(x * 0.09 + ms / 180)])
    if (points.length > 1) strokeLine(c, COLOURS.water, 11, points)
    for (let index = 0; index < 12; index += 1) {
      const share = (index / 12 + ms / 3200) % 1
      const x = TOP[0] - (TOP[0] - FOOT[0]) * share
      if (x > front + 16)
        strokeLine(c, COLOURS.waterLine, 2.5, [
          [x, slopeY(x) - 7],
          [x - 16, slopeY(x - 16) - 7],
        ])
    }
  })
}

function smallBoat(c: Context, share: number, steps: number, ms: number): void {
  const position = share * LOCKS
  const index = Math.min(LOCKS - 1, Math.floor(position))
  const within = position - index
  const lower = step(index)
  const upper = step(index + 1)
  const x = FOOT[0] + (position / LOCKS) * (TOP[0] - FOOT[0])
  // It waits for its lock, rises, and goes on.
  const rise = ramp(within, 0.36, 0.64)
  const y = lower.y + (upper.y - lower.y) * rise * steps + Math.sin(ms / 600) * 0.8
  fillPath(c, COLOURS.hull, [
    [x - 30, y - 5],
    [x + 32, y - 5],
    [x + 25, y + 7],
    [x - 26, y + 7],
  ])
  fillRect(c, COLOURS.cabin, x - 20, y - 15, 38, 10)
  for (let window = 0; window < 3; window += 1)
    fillRect(c, COLOURS.skyLow, x - 15 + window * 11, y - 13, 6, 5)
}

function marks(c: Context, { marked, steps }: HillState): void {
  c.font = 'bold 15px "DejaVu Sans"'
  c.textAlign = 'center'
  c.textBaseline = 'middle'
  for (let index = 0; index < LOCKS; index += 1) {
    const { right, y } = step(index)
    faded(c, (marked - index) * steps, () => {
      fillRect(c, COLOURS.paper, right - 14, y - 58, 28, 24)
      c.fillStyle = COLOURS.ink
      c.fillText(String(index + 1), right, y - 45)
    })
  }
}
