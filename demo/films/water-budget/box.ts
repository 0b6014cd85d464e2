// The chamber as a box: its measures, the water that rises in it, and the sum.
import { COLOURS, faded, fillPath, fillRect, strokeLine, type Context } from '../paint.ts'
import { ramp, type Times } from '../times.ts'
import { drawSmallBoat, heading, INK_2, measure, sums, write } from './slides.ts'

type Spot = readonly [number, number]

const NEAR_LEFT: Spot = [110, 430]
const NEAR_RIGHT: Spot = [436, 430]
/** How far the far side lies behind the near one. */
const BACK: Spot = [74, -58]
const LOW = 46
const RISE = 138
const WALL = 214

const up = ([x, y]: Spot, by: number): Spot => [x, y - by]
const back = ([x, y]: Spot): Spot => [x + BACK[0], y + BACK[1]]

/** The slide “One lockful”. */
export function drawBox(c: Context, ms: number, t: Times): void {
  heading(c, 'One lockful', ramp(ms, t.from('box') - 300, t.from('box') + 300))
  const since = (id: string, afterMs = 200) =>
    ramp(ms, t.from(id) + afterMs, t.from(id) + afterMs + 600)
  const level = LOW + RISE * ramp(ms, t.from('rise') + 400, t.to('rise') - 200)
  walls(c)
  water(c, level, ms)
  faded(c, since('notDepth', 2600), () =>
    write(c, 'stays', (NEAR_LEFT[0] + NEAR_RIGHT[0]) / 2, 408, {
      size: 17,
      align: 'center',
      colour: COLOURS.paper,
    }),
  )
  frontEdges(c)
  measure(c, [NEAR_LEFT[0], 456], [NEAR_RIGHT[0], 456], '22.0 m', since('long'))
  measure(c, [452, 438], [452 + BACK[0], 438 + BACK[1]], '2.2 m', since('wide'))
  measure(c, up([76, 430], LOW), up([76, 430], LOW + RISE), '2.4 m', since('rise', 1800))
  sums(
    c,
    ['22.0 m × 2.2 m', '= 48.4 m²', '48.4 m² × 2.4 m', '= 116.16 m³'],
    [since('floor'), since('floor', 2600), since('volume'), since('volume', 1900)],
    { x: 570, y: 150 },
  )
  faded(c, since('lockful'), () => {
    fillRect(c, '#DCEBDC', 556, 310, 172, 42)
    write(c, 'one lockful', 642, 332, {
      size: 20,
      bold: true,
      colour: COLOURS.fern,
      align: 'center',
    })
  })
  faded(c, since('tonnes'), () => {
    write(c, 'as heavy as', 560, 382, { size: 16, colour: INK_2 })
    for (let boat = 0; boat < 7; boat += 1)
      faded(
        c,
        ramp(ms, t.from('tonnes') + 1600 + boat * 240, t.from('tonnes') + 1900 + boat * 240),
        () => drawSmallBoat(c, 578 + (boat % 4) * 46, 418 + Math.floor(boat / 4) * 34, 1, 0.62),
      )
  })
}

function walls(c: Context): void {
  fillPath(c, COLOURS.stone, [
    up(back(NEAR_LEFT), 0),
    up(back(NEAR_RIGHT), 0),
    up(back(NEAR_RIGHT), WALL),
    up(back(NEAR_LEFT), WALL),
  ])
  fillPath(c, '#A99C86', [
    NEAR_LEFT,
    back(NEAR_LEFT),
    up(back(NEAR_LEFT), WALL),
    up(NEAR_LEFT, WALL),
  ])
  fillPath(c, '#9C8F79', [NEAR_LEFT, NEAR_RIGHT, back(NEAR_RIGHT), back(NEAR_LEFT)])
  for (let row = 1; row < 6; row += 1)
    strokeLine(c, COLOURS.stoneLine, 1.2, [
      up(back(NEAR_LEFT), row * 36),
      up(back(NEAR_RIGHT), row * 36),
    ])
}

function water(c: Context, level: number, ms: number): void {
  const swell = Math.sin(ms / 700) * 1.4
  const top = level + swell
  faded(c, 0.8, () =>
    fillPath(c, COLOURS.water, [NEAR_LEFT, NEAR_RIGHT, up(NEAR_RIGHT, top), up(NEAR_LEFT, top)]),
  )
  fillPath(c, COLOURS.waterDeep, [
    up(NEAR_LEFT, top),
    up(NEAR_RIGHT, top),
    up(back(NEAR_RIGHT), level),
    up(back(NEAR_LEFT), level),
  ])
  fillRect(
    c,
    COLOURS.waterDeep,
    NEAR_LEFT[0],
    NEAR_LEFT[1] - LOW,
    NEAR_RIGHT[0] - NEAR_LEFT[0],
    LOW,
  )
  strokeLine(c, COLOURS.waterLine, 2, [up(NEAR_LEFT, LOW), up(NEAR_RIGHT, LOW)])
  drawSmallBoat(c, 290, NEAR_LEFT[1] - top - 24, 1, 1.7)
}

function frontEdges(c: Context): void {
  const edge = (from: Spot, to: Spot) => strokeLine(c, COLOURS.ink, 2, [from, to])
  edge(NEAR_LEFT, NEAR_RIGHT)
  edge(NEAR_LEFT, up(NEAR_LEFT, WALL))
  edge(NEAR_RIGHT, up(NEAR_RIGHT, WALL))
  edge(NEAR_RIGHT, back(NEAR_RIGHT))
  edge(back(NEAR_RIGHT), up(back(NEAR_RIGHT), WALL))
  edge(up(NEAR_RIGHT, WALL), up(back(NEAR_RIGHT), WALL))
  edge(up(NEAR_LEFT, WALL), up(back(NEAR_LEFT), WALL))
  edge(up(back(NEAR_LEFT), WALL), up(back(NEAR_RIGHT), WALL))
}
