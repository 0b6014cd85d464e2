// Draws the lock cut open: pounds, chamber, gates, paddles, water, boat and keeper.
import { COLOURS, fillPath, fillRect, HEIGHT, strokeLine, WIDTH, type Context } from '../paint.ts'
import type { LockState } from './story.ts'

const LOW_WATER = 412
const HIGH_WATER = 276
const FLOOR = 482
const UPPER_FLOOR = 352
const COPING = 236
const LOWER_GATE_X = 300
const UPPER_GATE_X = 700
const SILL_X = 636
const DRAUGHT = 24
const BOAT_LENGTH = 236

/** The height of the chamber's water, in picture coordinates. */
export const waterY = (level: number) => LOW_WATER + (HIGH_WATER - LOW_WATER) * level

export const LABEL_POINTS = {
  chamber: [430, 360],
  lowerGates: [LOWER_GATE_X, 330],
  upperGates: [UPPER_GATE_X, 312],
  sill: [SILL_X + 22, UPPER_FLOOR + 6],
  upperPaddle: [SILL_X + 6, FLOOR - 32],
  lowerPaddle: [LOWER_GATE_X, FLOOR - 22],
} as const

export function drawLock(c: Context, state: LockState, ms: number): void {
  drawLandscape(c, ms)
  drawBackWall(c)
  drawGate(c, LOWER_GATE_X, FLOOR, state.lowerGate, 1)
  drawGate(c, UPPER_GATE_X, UPPER_FLOOR, state.upperGate, 1)
  drawWaterBehind(c, state, ms)
  if (state.boat) drawBoatInLock(c, state, ms)
  drawWaterBefore(c, state, ms)
  drawEarth(c)
  drawPaddles(c, state, ms)
  drawGear(c, 262, state.lowerPaddle)
  drawGear(c, 742, state.upperPaddle)
  drawKeeper(c, state, ms)
}

function drawLandscape(c: Context, ms: number): void {
  fillRect(c, COLOURS.sky, 0, 0, WIDTH, HEIGHT)
  c.fillStyle = COLOURS.sun
  c.beginPath()
  c.arc(180, 96, 40, 0, Math.PI * 2)
  c.fill()
  drawCloud(c, ((ms / 260) % 1300) - 160, 70, 1)
  drawCloud(c, ((ms / 200 + 640) % 1300) - 160, 120, 0.7)
  hill(c, COLOURS.hillFar, 178, 46, 0.006, 0.4)
  hill(c, COLOURS.hillMid, 214, 26, 0.0105, 2.1)
  fillRect(c, COLOURS.hillNear, 0, 236, WIDTH, LOW_WATER - 236)
  for (const x of [40, 112, 826, 905]) drawTree(c, x, 238)
}

function hill(
  c: Context,
  colour: string,
  y: number,
  height: number,
  frequency: number,
  phase: number,
): void {
  c.fillStyle = colour
  c.beginPath()
  c.moveTo(0, HEIGHT)
  for (let x = 0; x <= WIDTH; x += 16) c.lineTo(x, y - height * Math.sin(x * frequency + phase))
  c.lineTo(WIDTH, HEIGHT)
  c.fill()
}

function drawCloud(c: Context, x: number, y: number, size: number): void {
  c.fillStyle = COLOURS.skyLow
  c.beginPath()
  c.ellipse(x, y, 62 * size, 15 * size, 0, 0, Math.PI * 2)
  c.ellipse(x + 34 * size, y - 10 * size, 36 * size, 15 * size, 0, 0, Math.PI * 2)
  c.fill()
}

function drawTree(c: Context, x: number, y: number): void {
  fillRect(c, COLOURS.wood, x - 3, y - 22, 6, 24)
  c.fillStyle = '#5E8658'
  c.beginPath()
  c.ellipse(x, y - 44, 20, 28, 0, 0, Math.PI * 2)
  c.fill()
}

function drawBackWall(c: Context): void {
  fillRect(c, COLOURS.earth, 0, LOW_WATER - 26, LOWER_GATE_X - 30, HEIGHT)
  fillRect(
    c,
    COLOURS.stone,
    LOWER_GATE_X - 60,
    COPING,
    UPPER_GATE_X - LOWER_GATE_X + 140,
    FLOOR - COPING,
  )
  c.strokeStyle = COLOURS.stoneLine
  c.lineWidth = 1.2
  for (let row = 0; COPING + 14 + row * 26 < FLOOR; row += 1) {
    const y = COPING + 14 + row * 26
    strokeLine(c, COLOURS.stoneLine, 1.2, [
      [LOWER_GATE_X - 60, y],
      [UPPER_GATE_X + 80, y],
    ])
    for (let x = LOWER_GATE_X - 60 + (row % 2) * 30; x < UPPER_GATE_X + 80; x += 60)
      strokeLine(c, COLOURS.stoneLine, 1.2, [
        [x, y],
        [x, Math.min(FLOOR, y + 26)],
      ])
  }
  fillRect(c, '#CFC3AE', LOWER_GATE_X - 60, COPING, UPPER_GATE_X - LOWER_GATE_X + 140, 14)
  // The white mark behind which a boat going down must not be left.
  fillRect(c, COLOURS.paper, SILL_X - 7, COPING + 14, 7, 104)
}

/** Earth and masonry in front: what the cut goes through. */
function drawEarth(c: Context): void {
  fillRect(c, COLOURS.earth, 0, FLOOR, WIDTH, HEIGHT - FLOOR)
  fillRect(c, COLOURS.earthDark, LOWER_GATE_X - 60, FLOOR, UPPER_GATE_X - LOWER_GATE_X + 60, 14)
  fillPath(c, COLOURS.earth, [
    [SILL_X + 44, FLOOR],
    [SILL_X + 44, UPPER_FLOOR + 12],
    [WIDTH, UPPER_FLOOR + 12],
    [WIDTH, FLOOR + 2],
  ])
  fillPath(c, COLOURS.earthDark, [
    [SILL_X, FLOOR],
    [SILL_X, UPPER_FLOOR],
    [UPPER_GATE_X + 60, UPPER_FLOOR],
    [UPPER_GATE_X + 60, UPPER_FLOOR + 14],
    [SILL_X + 46, UPPER_FLOOR + 14],
    [SILL_X + 46, FLOOR],
  ])
  fillRect(c, COLOURS.earthDark, UPPER_GATE_X + 60, UPPER_FLOOR, WIDTH, 14)
}

/** A pair of gates seen from the side: an edge when shut, its full face along the wall when open. */
function drawGate(c: Context, x: number, bottom: number, openness: number, side: 1 | -1): void {
  const width = 14 + 74 * openness
  fillRect(c, COLOURS.wood, x - 7, COPING - 6, width * side, bottom - COPING + 6)
  for (let y = COPING + 24; y < bottom - 10; y += 38)
    fillRect(c, COLOURS.woodDark, x - 7, y, width * side, 6)
  fillRect(c, COLOURS.woodDark, x - 9, COPING - 14, 16, bottom - COPING + 14)
  const beam = 128 - 26 * openness
  fillPath(c, COLOURS.woodDark, [
    [x - beam + 12, COPING - 24 - 8 * openness],
    [x + 18, COPING - 24],
    [x + 18, COPING - 11],
    [x - beam + 12, COPING - 13 - 8 * openness],
  ])
  fillRect(c, COLOURS.paper, x - beam + 12, COPING - 24 - 8 * openness, 14, 11)
}

function drawWaterBehind(c: Context, state: LockState, ms: number): void {
  body(c, COLOURS.waterDeep, -10, LOWER_GATE_X, LOW_WATER, FLOOR, ms, 0)
  body(
    c,
    COLOURS.waterDeep,
    LOWER_GATE_X,
    UPPER_GATE_X,
    waterY(state.level),
    FLOOR,
    ms,
    churn(state),
  )
  body(c, COLOURS.waterDeep, UPPER_GATE_X, WIDTH + 10, HIGH_WATER, UPPER_FLOOR, ms, 0)
}

/** Water in front of the boat: the hull below it shows through. */
function drawWaterBefore(c: Context, state: LockState, ms: number): void {
  c.save()
  c.globalAlpha = 0.62
  body(c, COLOURS.water, -10, LOWER_GATE_X, LOW_WATER + 6, FLOOR, ms, 0)
  body(
    c,
    COLOURS.water,
    LOWER_GATE_X,
    UPPER_GATE_X,
    waterY(state.level) + 6,
    FLOOR,
    ms,
    churn(state),
  )
  body(c, COLOURS.water, UPPER_GATE_X, WIDTH + 10, HIGH_WATER + 6, UPPER_FLOOR, ms, 0)
  c.restore()
}

const churn = (state: LockState) =>
  Math.min(1, state.upperPaddle * (1 - state.level) + state.lowerPaddle * state.level)

function body(
  c: Context,
  colour: string,
  left: number,
  right: number,
  top: number,
  bottom: number,
  ms: number,
  rough: number,
): void {
  const wave = (x: number) => (1.2 + rough * 1.8) * Math.sin(x * 0.045 + ms / (620 - 200 * rough))
  c.fillStyle = colour
  c.beginPath()
  c.moveTo(left, bottom)
  for (let x = left; x <= right; x += 10) c.lineTo(x, top + wave(x))
  c.lineTo(right, top + wave(right))
  c.lineTo(right, bottom)
  c.fill()
  c.strokeStyle = COLOURS.waterLine
  c.lineWidth = 2
  c.beginPath()
  for (let x = left; x <= right; x += 10) c.lineTo(x, top + wave(x))
  c.stroke()
}

function drawBoatInLock(c: Context, state: LockState, ms: number): void {
  const { x, facing } = state.boat!
  const surface =
    x < LOWER_GATE_X - 40 ? LOW_WATER : x > UPPER_GATE_X + 40 ? HIGH_WATER : waterY(state.level)
  const bob = Math.sin(ms / 700) * 1.1
  const sternX = x - (facing * BOAT_LENGTH) / 2
  // Caught: the stern rests on the sill while the water falls away under the bow.
  const restsAt = UPPER_FLOOR - DRAUGHT
  const caught =
    facing === -1 && sternX > SILL_X && x < UPPER_GATE_X ? Math.max(0, surface - restsAt) : 0
  const angle = Math.min(0.34, Math.atan2(caught, BOAT_LENGTH * 0.62))
  c.save()
  if (caught > 0) {
    c.translate(sternX, restsAt)
    c.rotate(facing * angle)
    c.translate((facing * BOAT_LENGTH) / 2, 0)
  } else c.translate(x, surface + bob)
  c.scale(facing, 1)
  drawBoat(c)
  c.restore()
}

/** The boat with its waterline at 0, its middle at 0, its bow to the right. */
function drawBoat(c: Context): void {
  const half = BOAT_LENGTH / 2
  fillPath(c, COLOURS.hull, [
    [-half, -16],
    [half + 2, -16],
    [half - 18, DRAUGHT],
    [-half + 10, DRAUGHT],
  ])
  fillRect(c, COLOURS.cabinTrim, -half + 1, -16, BOAT_LENGTH - 4, 3)
  fillRect(c, COLOURS.cabin, -half + 34, -46, BOAT_LENGTH - 92, 30)
  fillRect(c, COLOURS.cabinTrim, -half + 30, -49, BOAT_LENGTH - 84, 4)
  for (let window = 0; window < 4; window += 1)
    fillRect(c, COLOURS.skyLow, -half + 48 + window * 32, -40, 18, 13)
  fillRect(c, COLOURS.iron, half - 84, -64, 7, 16)
  strokeLine(c, COLOURS.woodDark, 4, [
    [-half + 4, -16],
    [-half + 2, -34],
    [-half + 22, -38],
  ])
  drawPerson(c, -half + 22, -17, COLOURS.ink, 0)
}

function drawPerson(c: Context, x: number, feet: number, coat: string, step: number): void {
  const swing = Math.sin(step) * 5
  strokeLine(c, COLOURS.iron, 4.5, [
    [x - swing, feet],
    [x, feet - 14],
    [x + swing, feet],
  ])
  fillPath(c, coat, [
    [x - 6, feet - 12],
    [x + 6, feet - 12],
    [x + 5, feet - 32],
    [x - 5, feet - 32],
  ])
  c.fillStyle = '#E2B48C'
  c.beginPath()
  c.arc(x, feet - 38, 5.5, 0, Math.PI * 2)
  c.fill()
  fillRect(c, COLOURS.rust, x - 6, feet - 45, 12, 4)
}

function drawKeeper(c: Context, state: LockState, ms: number): void {
  const x = state.keeperX + 22
  drawPerson(c, x, COPING, COLOURS.fern, state.keeperX * 0.09)
  const angle = state.winding ? ms / 130 : -0.7
  const hubX = x - 20
  strokeLine(c, COLOURS.iron, 3.5, [
    [x - 4, COPING - 27],
    [hubX + Math.cos(angle) * 9, COPING - 26 + Math.sin(angle) * 9],
  ])
}

/** The post in which the paddle's rack rises. */
function drawGear(c: Context, x: number, openness: number): void {
  fillRect(c, COLOURS.paper, x - 5, COPING - 34, 10, 36)
  fillRect(c, COLOURS.iron, x - 2, COPING - 40 - 22 * openness, 4, 30)
  c.strokeStyle = COLOURS.iron
  c.lineWidth = 2.5
  c.beginPath()
  c.arc(x, COPING - 26, 6, 0, Math.PI * 2)
  c.stroke()
}

function drawPaddles(c: Context, state: LockState, ms: number): void {
  // The culvert through the sill, and the opening in the lower gates.
  fillRect(c, COLOURS.waterDeep, SILL_X - 1, FLOOR - 44, 48, 26)
  fillPath(c, COLOURS.waterDeep, [
    [SILL_X + 20, FLOOR - 44],
    [SILL_X + 46, FLOOR - 44],
    [SILL_X + 118, UPPER_FLOOR],
    [SILL_X + 92, UPPER_FLOOR],
  ])
  fillRect(c, COLOURS.woodDark, SILL_X - 2, FLOOR - 46 - 26 * state.upperPaddle, 8, 30)
  fillRect(c, COLOURS.waterDeep, LOWER_GATE_X - 9, FLOOR - 34, 16 * (1 - state.lowerGate), 24)
  fillRect(c, COLOURS.cabinTrim, LOWER_GATE_X - 12, FLOOR - 36 - 24 * state.lowerPaddle, 7, 28)
  const filling = state.upperPaddle * (1 - state.level)
  flow(c, ms, filling, [SILL_X + 108, UPPER_FLOOR - 4], [SILL_X + 30, FLOOR - 31], 5)
  flow(c, ms, filling, [SILL_X + 30, FLOOR - 31], [SILL_X - 150, FLOOR - 38], 8)
  flow(
    c,
    ms,
    state.lowerPaddle * state.level,
    [LOWER_GATE_X + 90, FLOOR - 24],
    [LOWER_GATE_X - 150, FLOOR - 24],
    9,
  )
}

/** Short pale strokes that run from one point to another: water on its way. */
function flow(
  c: Context,
  ms: number,
  strength: number,
  from: readonly [number, number],
  to: readonly [number, number],
  count: number,
): void {
  if (strength <= 0.01) return
  const at = (share: number, offset: number) =>
    [from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share + offset] as const
  c.save()
  c.globalAlpha = Math.min(0.95, 0.35 + strength)
  for (let index = 0; index < count; index += 1) {
    const share = (index / count + ms / 2600) % 1
    const offset = ((index * 7) % 5) * 3 - 6
    strokeLine(c, COLOURS.waterLine, 3, [at(share, offset), at(Math.min(1, share + 0.07), offset)])
  }
  c.restore()
}
