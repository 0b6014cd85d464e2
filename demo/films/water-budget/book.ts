// The water book, filled in line by line; and the room before the lecture begins.
import { COLOURS, faded, fillPath, fillRect, strokeLine, type Context } from '../paint.ts'
import { ramp, type Times } from '../times.ts'
import { drawSmallBoat, heading, INK_2, write } from './slides.ts'

const COLUMNS = ['came in', 'was spent', 'was lost', 'is left'] as const
/** A week as a keeper wrote it down, in m³; each evening’s last figure is that of the day before with the rest reckoned in. */
const ROWS = [
  ['Mon', 2400, 1626, 590],
  ['Tue', 2400, 1859, 610],
  ['Wed', 2350, 1394, 600],
] as const
const BEGUN_WITH = 9000
const COLUMN = (index: number) => 196 + index * 136

/** The slide “The water book”. */
export function drawBook(c: Context, ms: number, t: Times): void {
  heading(c, 'The water book', ramp(ms, t.from('book') - 300, t.from('book') + 300))
  fillRect(c, '#F7F1DD', 60, 112, 668, 352)
  for (let line = 0; line < 7; line += 1)
    strokeLine(c, COLOURS.line, 1.2, [
      [60, 160 + line * 44],
      [728, 160 + line * 44],
    ])
  strokeLine(c, '#D3A79A', 1.5, [
    [130, 112],
    [130, 464],
  ])
  COLUMNS.forEach((name, index) => {
    const since = t.from('columns') + 200 + index * 950
    faded(c, ramp(ms, since, since + 400), () =>
      write(c, name, COLUMN(index) + 50, 138, { size: 18, bold: true, align: 'center' }),
    )
  })
  rows(c, ms, t)
  faded(c, ramp(ms, t.from('yours') + 800, t.from('yours') + 1500), () =>
    write(c, 'your lock', 148, 360, { size: 19, serif: true, colour: COLOURS.rust }),
  )
  faded(c, ramp(ms, t.from('sketch'), t.from('sketch') + 900), () => sketch(c, 470, 446))
}

function rows(c: Context, ms: number, t: Times): void {
  let left = BEGUN_WITH
  ROWS.forEach(([day, cameIn, spent, lost], row) => {
    left += cameIn - spent - lost
    const y = 184 + row * 44
    const since = t.to('columns') + 200 + row * 900
    faded(c, ramp(ms, since, since + 500), () => {
      write(c, day, 94, y, { size: 18, align: 'center', colour: INK_2 })
      const figures = [cameIn, spent, lost, left]
      figures.forEach((m3, index) =>
        write(c, m3.toLocaleString('en-GB'), COLUMN(index) + 84, y, {
          size: 19,
          serif: true,
          align: 'right',
        }),
      )
    })
  })
}

/** A small drawing in pencil: chamber and ponds. */
function sketch(c: Context, x: number, y: number): void {
  const line = (points: [number, number][]) => strokeLine(c, INK_2, 2, points)
  line([
    [x, y - 84],
    [x, y],
    [x + 60, y],
    [x + 60, y - 84],
  ])
  for (const layer of [1, 2, 3, 4])
    line([
      [x + 4, y - layer * 20],
      [x + 56, y - layer * 20],
    ])
  line([
    [x - 92, y - 62],
    [x - 92, y - 40],
    [x - 26, y - 40],
    [x - 26, y - 62],
  ])
  line([
    [x - 178, y - 42],
    [x - 178, y - 20],
    [x - 112, y - 20],
    [x - 112, y - 42],
  ])
}

/** The first slide: the reservoir, and boats that draw on it. */
export function drawReservoir(c: Context, ms: number, t: Times): void {
  const title = ramp(ms, 300, 1000)
  faded(c, title, () => {
    write(c, 'The Water Budget of a Flight', 394, 100, {
      size: 37,
      bold: true,
      serif: true,
      align: 'center',
    })
    write(c, 'Harrowmere Navigation Trust, lecture 2', 394, 142, {
      size: 18,
      align: 'center',
      colour: INK_2,
    })
  })
  const level = 1 - 0.45 * ramp(ms, t.from('spends'), t.to('howMuch'))
  fillPath(c, COLOURS.hillFar, [
    [36, 330],
    [190, 236],
    [330, 262],
    [752, 352],
    [752, 492],
    [36, 492],
  ])
  const y = 296 + 52 * (1 - level)
  const shore = 92 + 30 * (1 - level)
  fillPath(c, COLOURS.water, [
    [shore, y],
    [356 - 16 * (1 - level), y],
    [316, 372],
    [150, 372],
  ])
  faded(c, ramp(ms, t.from('oxwith') + 1000, t.from('oxwith') + 1600), () =>
    write(c, 'Oxwith', 226, 398, { size: 21, bold: true, serif: true, align: 'center' }),
  )
  for (let step = 0; step < 5; step += 1) {
    fillRect(
      c,
      COLOURS.hillNear,
      400 + step * 72,
      330 + step * 30,
      352 - step * 72,
      162 - step * 30,
    )
    fillRect(c, COLOURS.waterDeep, 400 + step * 72, 330 + step * 30, step === 4 ? 64 : 74, 11)
    if (step < 4) fillRect(c, COLOURS.woodDark, 470 + step * 72, 320 + step * 30, 4, 44)
  }
  const climbed = ramp(ms, t.from('spends') + 300, t.to('spends')) * 4
  const pound = Math.min(4, Math.floor(4.999 - climbed))
  drawSmallBoat(c, 434 + pound * 72, 325 + pound * 30, -1, 0.9)
  faded(c, ramp(ms, t.from('howMuch') + 1800, t.from('howMuch') + 2500), () =>
    write(c, '? m³', 640, 262, {
      size: 44,
      bold: true,
      serif: true,
      colour: COLOURS.rust,
      align: 'center',
    }),
  )
}
