// The flight from the side: what a boat hands on from lock to lock, and the bargain of taking turns.
import { COLOURS, faded, fillPath, fillRect, type Context } from '../paint.ts'
import { ramp, through, type Times } from '../times.ts'
import { drawSmallBoat, heading, INK_2, write } from './slides.ts'

const LOCKS = 11
const LEFT = 96
const TOP = 156
const STEP = { width: 48, height: 24 }

const poundX = (lock: number) => LEFT + lock * STEP.width
const poundY = (lock: number) => TOP + lock * STEP.height

/** Where something is that has come down so many locks, fractions included. */
const along = (locks: number) => [poundX(locks) + 22, poundY(locks)] as const

/** The slide “Eleven locks, one price”. */
export function drawFlight(c: Context, ms: number, t: Times): void {
  heading(c, 'Eleven locks, one price', ramp(ms, t.from('eleven') - 300, t.from('eleven') + 300))
  const lost = ramp(ms, t.from('passes') + 300, t.from('passes') + 1800)
  const gained = ramp(ms, t.from('passes') + 2600, t.from('passes') + 4200)
  ground(c)
  pounds(c, lost, gained)
  numbers(c, ms, t)
  const down = through(ms, [
    [t.from('handsOn'), 0],
    [t.to('handsOn') + 500, 11],
  ])
  const taking = ramp(ms, t.from('bargain') - 500, t.from('bargain') + 200)
  faded(c, ramp(ms, t.from('eleven'), t.from('eleven') + 700) * (1 - taking), () => {
    const [x, y] = along(down)
    drawSmallBoat(c, x, y - 5, 1, 0.72)
  })
  priceMarks(c, ms, t, 1 - taking)
  faded(c, taking, () => turns(c, ms, t))
}

function ground(c: Context): void {
  const outline: [number, number][] = [[40, TOP + 2]]
  for (let lock = 0; lock <= LOCKS; lock += 1) {
    outline.push([poundX(lock), poundY(Math.max(0, lock - 1)) + (lock === 0 ? 2 : 8)])
    outline.push([poundX(lock), poundY(lock) + 8])
  }
  outline.push([748, poundY(LOCKS) + 8], [748, 490], [40, 490])
  fillPath(c, COLOURS.hillNear, outline)
}

function pounds(c: Context, lost: number, gained: number): void {
  fillRect(c, COLOURS.water, 40, TOP - 4 + 8 * lost, poundX(0) - 40 + 2, 20 - 8 * lost)
  for (let lock = 0; lock < LOCKS; lock += 1)
    fillRect(c, COLOURS.water, poundX(lock), poundY(lock), STEP.width + 2, 11)
  fillRect(
    c,
    COLOURS.water,
    poundX(LOCKS),
    poundY(LOCKS) - 7 * gained,
    748 - poundX(LOCKS),
    12 + 7 * gained,
  )
  for (let lock = 0; lock <= LOCKS; lock += 1) {
    const y = poundY(Math.max(0, lock - 1)) - 12
    fillRect(c, COLOURS.woodDark, poundX(lock) - 3, y, 5, poundY(lock) - y + 10)
  }
}

function numbers(c: Context, ms: number, t: Times): void {
  for (let lock = 0; lock < LOCKS; lock += 1)
    faded(
      c,
      ramp(ms, t.from('eleven') + 900 + lock * 160, t.from('eleven') + 1200 + lock * 160),
      () =>
        write(c, String(lock + 1), poundX(lock) + 24, poundY(lock) + 27, {
          size: 15,
          bold: true,
          align: 'center',
        }),
    )
}

function priceMarks(c: Context, ms: number, t: Times, alpha: number): void {
  const crossed = ramp(ms, t.to('itDoesNot') - 1300, t.to('itDoesNot') - 700)
  faded(c, alpha * ramp(ms, t.from('itDoesNot') + 600, t.from('itDoesNot') + 1100), () => {
    write(c, '11 × 116.16 m³', 486, 142, {
      size: 21,
      bold: true,
      colour: crossed > 0.5 ? INK_2 : COLOURS.ink,
    })
    fillRect(c, COLOURS.rust, 482, 141, 176 * crossed, 3.5)
  })
  faded(c, alpha * ramp(ms, t.from('passes') + 500, t.from('passes') + 1200), () =>
    write(c, '− 1', 50, TOP - 24, { size: 22, bold: true, colour: COLOURS.rust }),
  )
  faded(c, alpha * ramp(ms, t.from('passes') + 2800, t.from('passes') + 3500), () =>
    write(c, '+ 1', 690, poundY(LOCKS) - 32, { size: 22, bold: true, colour: COLOURS.fern }),
  )
  faded(c, alpha * ramp(ms, t.from('price') + 1500, t.from('price') + 2200), () => {
    write(c, '1 × 116.16 m³', 486, 178, { size: 21, bold: true, colour: COLOURS.fern })
    write(c, 'paid at the top', 486, 206, { size: 17, colour: INK_2 })
  })
}

/** One lock, large: a boat leaves it full, another finds it ready. */
function turns(c: Context, ms: number, t: Times): void {
  fillRect(c, COLOURS.paper, 372, 106, 356, 190)
  c.strokeStyle = COLOURS.line
  c.lineWidth = 1.5
  c.strokeRect(372, 106, 356, 190)
  const level = through(ms, [
    [t.from('bargain') + 1500, 0],
    [t.to('bargain'), 1],
    [t.from('turns') - 400, 1],
    [t.from('turns') + 1600, 0],
  ])
  const y = 262 - 92 * level
  fillRect(c, COLOURS.stone, 470, 150, 160, 132)
  fillRect(c, COLOURS.water, 372, 262, 98, 20)
  fillRect(c, COLOURS.water, 470, y, 160, 282 - y)
  fillRect(c, COLOURS.earth, 630, 190, 98, 92)
  fillRect(c, COLOURS.water, 630, 170, 98, 20)
  fillRect(c, COLOURS.earthDark, 372, 282, 356, 14)
  for (const x of [467, 627]) fillRect(c, COLOURS.woodDark, x, 142, 6, 140)
  climber(c, ms, t, y)
  faded(c, ramp(ms, t.from('turns'), t.from('turns') + 700), () => {
    fillRect(c, '#DCEBDC', 56, 414, 262, 56)
    write(c, 'Two boats, one lockful', 187, 443, {
      size: 19,
      bold: true,
      colour: COLOURS.fern,
      align: 'center',
    })
  })
}

function climber(c: Context, ms: number, t: Times, y: number): void {
  const up = through(ms, [
    [t.from('bargain'), 400],
    [t.from('bargain') + 1500, 548],
    [t.from('ready'), 548],
    [t.from('ready') + 1500, 690],
  ])
  const gone = ramp(ms, t.from('ready') + 1500, t.from('ready') + 2100)
  const surface = (x: number) => (x < 470 ? 262 : x > 630 ? 170 : y)
  faded(c, 1 - gone, () => drawSmallBoat(c, up, surface(up) - 6, 1, 0.95))
  const down = through(ms, [
    [t.to('ready') - 2600, 690],
    [t.to('ready') - 600, 548],
    [t.from('turns') + 1600, 548],
    [t.from('turns') + 3200, 410],
  ])
  faded(c, ramp(ms, t.to('ready') - 3200, t.to('ready') - 2700), () =>
    drawSmallBoat(c, down, surface(down) - 6, -1, 0.95),
  )
}
