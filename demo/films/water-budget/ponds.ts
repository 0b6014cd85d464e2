// The chamber with its two ponds, cut across: four layers that change places.
import { COLOURS, faded, fillRect, strokeLine, type Context } from '../paint.ts'
import { ramp, through, type Times } from '../times.ts'
import { heading, INK_2, write } from './slides.ts'

const LAYER = 46
const CHAMBER = { x: 420, width: 132, floor: 404 }
/** The upper pond stands where the third layer was, the lower one where the second was: water only runs down. */
const POND = {
  width: 132,
  upper: { x: 250, bottom: 404 - 2 * LAYER },
  lower: { x: 80, bottom: 404 - LAYER },
}
const HIGH_POUND = { x: 604, y: 404 - 4 * LAYER }

const SHADES = ['#3E7A95', '#4C86A1', '#5B94AF', '#71A6BE'] as const

type Place = readonly [x: number, y: number]

const inChamber = (layer: number): Place => [CHAMBER.x, CHAMBER.floor - layer * LAYER]
const UPPER: Place = [POND.upper.x, POND.upper.bottom]
const LOWER: Place = [POND.lower.x, POND.lower.bottom]
/** Below the lock, out of the picture. */
const GONE: Place = [CHAMBER.x, CHAMBER.floor + 2 * LAYER]
/** Where the pound above keeps what it will give. */
const ABOVE: Place = [HIGH_POUND.x, HIGH_POUND.y]

/** The slide “Ponds beside the lock”. */
export function drawPonds(c: Context, ms: number, t: Times): void {
  heading(c, 'Ponds beside the lock', ramp(ms, t.from('ponds') - 300, t.from('ponds') + 300))
  const dug = ramp(ms, t.from('ponds') + 1400, t.to('ponds') - 300)
  layersOf(c, ms, t)
  masonry(c, dug)
  names(c, ms, t, dug)
  verdict(c, ms, t)
}

/** Where each of the four layers is, the lowest first, and the two that come from above. */
function layersOf(c: Context, ms: number, t: Times): void {
  const goes = (id: string, lengthMs = 2600) =>
    [t.from(id) + 300, t.from(id) + 300 + lengthMs] as const
  const marked = ramp(ms, t.from('layers') + 1500, t.from('layers') + 2300)
  const [topFrom, topTo] = goes('top')
  const [secondFrom, secondTo] = goes('second')
  const [spentFrom, spentTo] = goes('spent', 3200)
  const [backFrom, backTo] = goes('giveBack')
  const [thenFrom, thenTo] = goes('thenUpper')
  const [restFrom, restTo] = goes('rest', 3000)
  c.save()
  c.beginPath()
  c.rect(40, 100, 708, CHAMBER.floor - 100)
  c.clip()
  const move = (stops: readonly (readonly [number, Place])[]): Place => [
    through(
      ms,
      stops.map(([at, [x]]) => [at, x] as const),
    ),
    through(
      ms,
      stops.map(([at, [, y]]) => [at, y] as const),
    ),
  ]
  layer(
    c,
    3,
    marked,
    move([
      [topFrom, inChamber(3)],
      [topTo, UPPER],
      [thenFrom, UPPER],
      [thenTo, inChamber(1)],
    ]),
    '4',
  )
  layer(
    c,
    2,
    marked,
    move([
      [secondFrom, inChamber(2)],
      [secondTo, LOWER],
      [backFrom, LOWER],
      [backTo, inChamber(0)],
    ]),
    '3',
  )
  layer(
    c,
    1,
    marked,
    move([
      [spentFrom, inChamber(1)],
      [spentTo, [GONE[0], GONE[1] - LAYER]],
    ]),
    '2',
  )
  layer(
    c,
    0,
    marked,
    move([
      [spentFrom, inChamber(0)],
      [spentTo, GONE],
    ]),
    '1',
  )
  const pound = ramp(ms, t.from('rest') - 600, t.from('rest'))
  faded(c, pound, () => {
    layer(
      c,
      2,
      marked,
      move([
        [restFrom, ABOVE],
        [restTo, inChamber(2)],
      ]),
      'new',
    )
    layer(
      c,
      3,
      marked,
      move([
        [restFrom + 500, [ABOVE[0], ABOVE[1] - LAYER]],
        [restTo + 500, inChamber(3)],
      ]),
      'new',
    )
  })
  c.restore()
}

function layer(c: Context, shade: number, marked: number, [x, y]: Place, name: string): void {
  fillRect(c, SHADES[shade]!, x, y - LAYER, CHAMBER.width, LAYER + 0.5)
  faded(c, marked, () => {
    strokeLine(c, COLOURS.waterLine, 2, [
      [x, y - LAYER + 1],
      [x + CHAMBER.width, y - LAYER + 1],
    ])
    write(c, name, x + CHAMBER.width / 2, y - LAYER / 2 + 1, {
      size: name === 'new' ? 17 : 20,
      bold: true,
      colour: COLOURS.paper,
      align: 'center',
    })
  })
}

function masonry(c: Context, dug: number): void {
  const wall = (x: number, top: number, bottom: number) =>
    fillRect(c, COLOURS.stone, x, top, 12, bottom - top)
  const top = CHAMBER.floor - 4 * LAYER - 14
  wall(CHAMBER.x - 12, top, CHAMBER.floor)
  wall(CHAMBER.x + CHAMBER.width, top, CHAMBER.floor)
  fillRect(c, COLOURS.stone, CHAMBER.x - 12, CHAMBER.floor, CHAMBER.width + 24, 13)
  faded(c, dug, () => {
    for (const { x, bottom } of [POND.upper, POND.lower]) {
      culvert(c, x + POND.width, bottom)
      fillRect(c, COLOURS.stone, x - 10, bottom, POND.width + 20, 11)
      wall(x - 12, bottom - LAYER - 12, bottom + 11)
      wall(x + POND.width, bottom - LAYER - 12, bottom + 11)
    }
  })
  fillRect(c, COLOURS.earth, 40, CHAMBER.floor + 13, 708, 75)
}

/** The pipe between a pond's floor and the chamber. */
function culvert(c: Context, fromX: number, floor: number): void {
  fillRect(c, COLOURS.stoneLine, fromX, floor - 16, CHAMBER.x - fromX, 16)
  fillRect(c, COLOURS.waterDeep, fromX, floor - 13, CHAMBER.x - fromX, 10)
}

function names(c: Context, ms: number, t: Times, dug: number): void {
  const name = { size: 17, align: 'center' } as const
  faded(c, dug, () => {
    write(c, 'upper pond', POND.upper.x + 66, POND.upper.bottom - LAYER - 30, name)
    write(c, 'lower pond', POND.lower.x + 66, POND.lower.bottom - LAYER - 30, name)
    write(c, 'chamber', CHAMBER.x + 66, CHAMBER.floor + 34, { ...name, colour: COLOURS.paper })
  })
  faded(c, ramp(ms, t.from('layers') + 2600, t.from('layers') + 3200), () =>
    write(c, '4 × 0.6 m', 644, 330, {
      size: 19,
      bold: true,
      align: 'center',
      colour: COLOURS.rust,
    }),
  )
  faded(
    c,
    ramp(ms, t.to('spent') - 1200, t.to('spent') - 500) *
      (1 - ramp(ms, t.from('refill'), t.from('refill') + 600)),
    () =>
      write(c, 'spent: 2 of 4', CHAMBER.x + 66, CHAMBER.floor + 62, {
        ...name,
        size: 18,
        bold: true,
        colour: COLOURS.paper,
      }),
  )
  faded(
    c,
    ramp(ms, t.from('rest') - 300, t.from('rest') + 300) *
      (1 - ramp(ms, t.from('halved') - 600, t.from('halved'))),
    () =>
      write(c, 'from the pound above', 652, HIGH_POUND.y + 20, {
        size: 15,
        align: 'center',
        colour: INK_2,
      }),
  )
}

function verdict(c: Context, ms: number, t: Times): void {
  const halved = ramp(ms, t.from('halved') + 1800, t.from('halved') + 2600)
  faded(c, halved, () => {
    write(c, '116.16 m³ ÷ 2', 664, 150, { size: 19, align: 'center' })
    write(c, '= 58.08 m³', 664, 184, {
      size: 21,
      bold: true,
      align: 'center',
      colour: COLOURS.fern,
    })
    write(c, 'a passage', 664, 210, { size: 16, align: 'center', colour: INK_2 })
  })
  const saved = ['1 pond saves 1⁄3', '2 ponds save 1⁄2', '3 ponds save 3⁄5']
  saved.forEach((line, index) =>
    faded(c, ramp(ms, t.from('more') + 400 + index * 900, t.from('more') + 900 + index * 900), () =>
      write(c, line, 62, 128 + index * 28, { size: 17, bold: index === 1 }),
    ),
  )
}
