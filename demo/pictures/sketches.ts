// What made-up learners drew with a pencil: a lock with its ponds as a cut from the side, better and worse.
import { createRandom, type Random } from '@fernbrake/core/chance'
import { HEIGHT, WIDTH, type Context } from '../films/paint.ts'

export interface Sketch {
  name: string
  draw: (c: Context) => void
}

type Point = readonly [x: number, y: number]

const PENCIL = '#3b3f45'
const BLUE = '#5d7fa3'

/** A line as a hand draws it: it wavers, and goes over itself. */
function stroke(c: Context, random: Random, points: readonly Point[], colour = PENCIL): void {
  c.strokeStyle = colour
  for (let pass = 0; pass < 2; pass += 1) {
    c.lineWidth = 1.6 + random.next()
    c.beginPath()
    for (const [index, [x, y]] of points.entries()) {
      const at: Point = [x + (random.next() - 0.5) * 5, y + (random.next() - 0.5) * 5]
      if (index === 0) {
        c.moveTo(...at)
        continue
      }
      const [px, py] = points[index - 1]!
      const bend = (random.next() - 0.5) * 9
      c.quadraticCurveTo((px + x) / 2 + bend, (py + y) / 2 + bend, ...at)
    }
    c.stroke()
  }
}

function write(c: Context, text: string, x: number, y: number, turn = 0): void {
  c.save()
  c.translate(x, y)
  c.rotate(turn)
  c.fillStyle = PENCIL
  c.font = 'italic 21px "DejaVu Serif"'
  c.fillText(text, 0, 0)
  c.restore()
}

function water(c: Context, random: Random, from: Point, to: Point, lines: number): void {
  for (let line = 0; line < lines; line += 1) {
    const y = from[1] + ((to[1] - from[1]) * (line + 0.5)) / lines
    stroke(
      c,
      random,
      [
        [from[0] + 6, y],
        [to[0] - 6, y],
      ] as const,
      BLUE,
    )
  }
}

interface Wants {
  ponds: 0 | 1 | 2
  layers: boolean
  words: boolean
}

function drawSketch(c: Context, random: Random, { ponds, layers, words }: Wants): void {
  c.fillStyle = '#f4f1e6'
  c.fillRect(0, 0, WIDTH, HEIGHT)
  c.strokeStyle = '#d8dde2'
  c.lineWidth = 1
  for (let x = 24; x < WIDTH; x += 24) {
    c.beginPath()
    c.moveTo(x, 0)
    c.lineTo(x, HEIGHT)
    c.stroke()
  }
  for (let y = 18; y < HEIGHT; y += 24) {
    c.beginPath()
    c.moveTo(0, y)
    c.lineTo(WIDTH, y)
    c.stroke()
  }
  // The chamber, open above, with a gate at each end.
  const [left, right, top, floor] = [110, 480, 130, 430] as const
  stroke(c, random, [
    [40, top + 90],
    [left, top + 90],
    [left, floor],
    [right, floor],
  ] as const)
  stroke(c, random, [
    [right, floor],
    [right, top],
    [560, top],
  ] as const)
  stroke(c, random, [
    [left + 14, top + 40],
    [left + 14, floor],
  ] as const)
  stroke(c, random, [
    [right - 14, top - 20],
    [right - 14, floor],
  ] as const)
  if (layers)
    for (const [index, y] of [200, 275, 350].entries()) {
      stroke(c, random, [
        [left + 20, y],
        [right - 20, y],
      ] as const)
      water(c, random, [left + 20, y], [right - 20, y + 68], 2 + index)
      if (words) write(c, `${['top', 'middle', 'bottom'][index]} third`, left + 130, y + 42)
    }
  else water(c, random, [left + 20, 240], [right - 20, floor], 6)
  for (let pond = 0; pond < ponds; pond += 1) {
    const y = 190 + pond * 120
    stroke(c, random, [
      [620, y],
      [630, y + 72],
      [850, y + 72],
      [862, y],
    ] as const)
    water(c, random, [632, y + 22], [850, y + 68], 2)
    stroke(c, random, [
      [right, y + 40],
      [560, y + 48],
      [628, y + 56],
    ] as const)
    if (words) write(c, pond === 0 ? 'upper pond' : 'lower pond', 668, y - 12)
  }
  if (words) {
    write(c, 'chamber', left + 130, top - 8)
    write(c, 'gate', right - 30, top - 34, -0.06)
  }
}

const sketch = (name: string, seed: number, wants: Wants): Sketch => ({
  name,
  draw: (c) => drawSketch(c, createRandom(seed), wants),
})

/** From the best to the poorest. */
export const SKETCHES: Sketch[] = [
  sketch('sketch-1', 11, { ponds: 2, layers: true, words: true }),
  sketch('sketch-2', 12, { ponds: 2, layers: true, words: false }),
  sketch('sketch-3', 13, { ponds: 2, layers: false, words: true }),
  sketch('sketch-4', 14, { ponds: 1, layers: false, words: true }),
  sketch('sketch-5', 15, { ponds: 0, layers: false, words: false }),
]
