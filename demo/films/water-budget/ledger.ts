// The dry week: what is spent, lost and brought in, as bars; and the top pound that falls.
import { COLOURS, faded, fillRect, type Context } from '../paint.ts'
import { ramp, type Times } from '../times.ts'
import { BOARD, drawSmallBoat, heading, INK_2, write } from './slides.ts'
import { FALL_CM, FEEDER_M3, LOST_M3, SPENT_IN_TURNS_M3, SPENT_M3 } from './sums.ts'

const BAR_LEFT = 196
const PIXELS_PER_M3 = 0.118

const figure = (m3: number) => `${Math.round(m3).toLocaleString('en-GB')} m³`

/** The slide “A dry week”. */
export function drawLedger(c: Context, ms: number, t: Times): void {
  heading(c, 'A dry week in August', ramp(ms, t.from('dry') - 300, t.from('dry') + 300))
  const turned = ramp(ms, t.from('balance') + 300, t.from('balance') + 2200)
  const spent = SPENT_M3 + (SPENT_IN_TURNS_M3 - SPENT_M3) * turned
  boatsOfTheDay(c, ms, t, turned)
  bar(c, 'spent', spent, 200, COLOURS.rust, ramp(ms, t.from('cost'), t.to('cost') - 600))
  bar(c, 'lost', LOST_M3, 250, '#B58A3C', ramp(ms, t.from('leak') + 900, t.to('leak')))
  bar(
    c,
    'brought in',
    FEEDER_M3,
    300,
    COLOURS.water,
    ramp(ms, t.from('feeder'), t.to('feeder') - 300),
  )
  const shortage = ramp(ms, t.from('short') + 1200, t.from('short') + 2000)
  faded(c, shortage, () => {
    fillRect(c, COLOURS.ink, BAR_LEFT - 150, 330, 640, 1.5)
    const left = FEEDER_M3 - LOST_M3 - spent
    const isShort = left < 0
    write(c, isShort ? 'short by' : 'to spare', BAR_LEFT - 12, 356, {
      size: 19,
      bold: true,
      align: 'right',
    })
    write(c, figure(Math.abs(left)), BAR_LEFT, 356, {
      size: 21,
      bold: true,
      colour: isShort ? COLOURS.rust : COLOURS.fern,
    })
    write(c, 'a day', BAR_LEFT + 134, 357, { size: 17, colour: INK_2 })
  })
  pound(c, ms, t)
}

function boatsOfTheDay(c: Context, ms: number, t: Times, turned: number): void {
  for (let boat = 0; boat < 24; boat += 1) {
    const [x, y] = [BAR_LEFT + (boat % 12) * 43, 122 + Math.floor(boat / 12) * 34]
    const since = t.from('boats') + 300 + boat * 90
    const facing = boat % 2 === 1 && turned > 0.5 ? -1 : 1
    faded(c, ramp(ms, since, since + 250), () => drawSmallBoat(c, x + 8, y, facing, 0.56))
  }
  faded(c, ramp(ms, t.from('boats'), t.from('boats') + 500), () =>
    write(c, '24 boats', BAR_LEFT - 24, 138, { size: 19, align: 'right' }),
  )
}

function bar(c: Context, name: string, m3: number, y: number, colour: string, share: number): void {
  faded(c, Math.min(1, share * 4), () => {
    write(c, name, BAR_LEFT - 12, y, { size: 19, align: 'right' })
    const width = m3 * PIXELS_PER_M3 * share
    fillRect(c, colour, BAR_LEFT, y - 15, width, 30)
    write(c, figure(m3 * share), BAR_LEFT + width + 12, y, { size: 18, bold: true })
  })
}

/** The top pound: by so much it falls, day after day, until boats lie aground. */
function pound(c: Context, ms: number, t: Times): void {
  faded(c, ramp(ms, t.from('falls') - 300, t.from('falls') + 300), () => {
    const days = 1 + 6 * ramp(ms, t.from('aground'), t.to('aground') + 300)
    const begun = ramp(ms, t.from('falls') + 2600, t.from('falls') + 4000)
    const refilled = ramp(ms, t.from('balance') + 2200, t.to('balance') + 500)
    const fall = days * begun * (1 - refilled) * 5
    fillRect(c, COLOURS.earth, BOARD.left + 20, 396, 676, 88)
    fillRect(c, COLOURS.waterDeep, BOARD.left + 44, 404 + fall, 628, 46 - fall)
    fillRect(c, COLOURS.waterLine, BOARD.left + 44, 403 + fall, 628, 2.5)
    c.save()
    c.translate(392, Math.min(404 + fall - 6, 434))
    c.rotate(0.09 * Math.max(0, (fall - 26) / 9))
    drawSmallBoat(c, 0, 0, 1, 1.15)
    c.restore()
    const centimetres = Math.round(days * FALL_CM)
    faded(c, begun * (1 - refilled), () =>
      write(c, `− ${centimetres} cm`, 636, 426 + fall / 2, {
        size: 20,
        bold: true,
        colour: COLOURS.paper,
        align: 'right',
      }),
    )
  })
  faded(c, ramp(ms, t.from('people'), t.from('people') + 600), () =>
    write(c, '?', 700, 140, {
      size: 44,
      bold: true,
      serif: true,
      colour: COLOURS.rust,
      align: 'center',
    }),
  )
}
