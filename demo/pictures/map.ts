// The Harrowmere Navigation on a map: from the reservoir at Oxwith down the flight at Cantle Steps to Nethering.
import {
  COLOURS,
  fillPath,
  fillRect,
  HEIGHT,
  label,
  strokeLine,
  WIDTH,
  type Context,
} from '../films/paint.ts'

const WAY: readonly (readonly [number, number])[] = [
  [130, 120],
  [250, 150],
  [340, 210],
  [470, 236],
  [560, 300],
  [690, 360],
  [840, 400],
]

export function drawMap(c: Context): void {
  fillRect(c, '#EFEAD9', 0, 0, WIDTH, HEIGHT)
  fillPath(c, '#DDE0BE', [
    [0, 0],
    [520, 0],
    [430, 130],
    [260, 240],
    [0, 330],
  ])
  fillPath(c, '#CFD8AE', [
    [0, 0],
    [330, 0],
    [240, 90],
    [0, 200],
  ])
  strokeLine(c, COLOURS.waterLine, 26, [
    [620, HEIGHT],
    [720, 450],
    [860, 410],
    [WIDTH, 350],
  ])
  fillPath(c, COLOURS.water, [
    [60, 70],
    [150, 60],
    [170, 120],
    [110, 160],
    [50, 130],
  ])
  strokeLine(c, COLOURS.paper, 14, WAY)
  strokeLine(c, COLOURS.waterDeep, 8, WAY)
  for (let lock = 0; lock < 11; lock += 1) {
    const [x, y] = [352 + lock * 11, 213 + lock * 2.2]
    strokeLine(c, COLOURS.ink, 3, [
      [x - 2, y - 10],
      [x + 2, y + 10],
    ])
  }
  label(c, 'Oxwith reservoir', 250, 46, 130, 100, 1)
  label(c, 'Cantle Steps, eleven locks', 560, 150, 420, 224, 1)
  label(c, 'Nethering', 790, 310, 840, 396, 1)
  label(c, 'Harrowmere', 600, 420, 650, 344, 1)
}
