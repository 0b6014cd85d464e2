// Draws the pictures of the demo. Needs Debian's fonts-dejavu-core; no network. Its results lie beside it and are
// committed.
//   npm run pictures -w demo
import { createCanvas } from '@napi-rs/canvas'
import { writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { HEIGHT, loadFonts, WIDTH, type Context } from '../films/paint.ts'
import { drawHill } from '../films/water-that-climbs/hill.ts'
import { drawLock } from '../films/water-that-climbs/lock.ts'
import { drawMap } from './map.ts'
import { PLATES } from './plates.ts'
import { SKETCHES } from './sketches.ts'

const here = dirname(fileURLToPath(import.meta.url))
const SCALE = 5 / 3

function draw(name: string, paint: (c: Context) => void, scale = SCALE): void {
  const canvas = createCanvas(Math.round(WIDTH * scale), Math.round(HEIGHT * scale))
  const context = canvas.getContext('2d')
  context.scale(scale, scale)
  paint(context)
  writeFileSync(join(here, `${name}.webp`), canvas.toBuffer('image/webp', 88))
}

loadFonts()
draw('anatomy-of-a-lock', (c) =>
  drawLock(
    c,
    {
      level: 0.42,
      lowerGate: 0,
      upperGate: 0,
      lowerPaddle: 0,
      upperPaddle: 0.8,
      boat: { x: 462, facing: 1 },
      keeperX: 742,
      winding: false,
    },
    3000,
  ),
)
for (const plate of PLATES) draw(`gate-${plate.name}`, plate.draw, 1.25)
draw('navigation-map', drawMap, 1.25)
draw('flight-opened', (c) => drawHill(c, { running: 0, steps: 1, boat: 0.62, marked: 11 }, 0), 1.25)
draw('flight-dry', (c) => drawHill(c, { running: 0, steps: 0.35, boat: null, marked: 0 }, 0), 1.25)
for (const sketch of SKETCHES) draw(sketch.name, sketch.draw, 1.1)
