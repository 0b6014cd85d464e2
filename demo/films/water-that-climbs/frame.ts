// One frame of “Water That Climbs”: which scene, with what in it, which words on the picture.
import { COLOURS, faded, fillRect, HEIGHT, label, WIDTH, type Context } from '../paint.ts'
import { ramp, through, type Chapter, type Film, type Times } from '../times.ts'
import { drawHill } from './hill.ts'
import { drawLock, LABEL_POINTS } from './lock.ts'
import { NARRATION } from './narration.ts'
import { goingDown, goingUp } from './story.ts'

const FADE_MS = 700

/** Together the bit rates keep the film under 4 MB at about four and a half minutes. */
export const WATER_THAT_CLIMBS: Film = {
  folder: 'water-that-climbs',
  narration: NARRATION,
  pauseMs: 1400,
  closingMs: 4000,
  videoBitsPerSecond: 74_000,
  audioBitsPerSecond: 36_000,
  drawFrame,
}

function drawFrame(
  c: Context,
  ms: number,
  t: Times,
  chapters: readonly Chapter[],
  durationMs: number,
): void {
  const toLock = ramp(ms, t.from('open') - FADE_MS, t.from('open'))
  const toDown = ramp(ms, t.from('down') - FADE_MS - 900, t.from('down') - 900)
  const toFlight = ramp(ms, t.from('itDoesNot') - FADE_MS - 300, t.from('itDoesNot') - 300)
  if (toLock < 1) drawOpening(c, ms, t)
  if (toLock > 0 && toDown < 1) faded(c, toLock, () => drawClimb(c, ms, t))
  if (toDown > 0 && toFlight < 1) faded(c, toDown, () => drawDescent(c, ms, t))
  if (toFlight > 0) faded(c, toFlight, () => drawClosing(c, ms, t, durationMs))
  for (const chapter of chapters) chapterTitle(c, chapter, ms)
  filmTitle(c, ms)
  faded(c, ramp(ms, durationMs - 1200, durationMs - 100), () =>
    fillRect(c, COLOURS.ink, 0, 0, WIDTH, HEIGHT),
  )
}

function drawOpening(c: Context, ms: number, t: Times): void {
  const steps = ramp(ms, t.from('steps') + 800, t.to('steps') - 600)
  drawHill(
    c,
    {
      running: through(ms, [
        [t.from('slope') + 300, 0],
        [t.to('pour'), 1],
        [t.from('climb') + 300, 1],
        [t.from('climb') + 1800, 2],
      ]),
      steps,
      boat: ms < t.from('room') ? null : 0.02 + 0.09 * ramp(ms, t.from('room'), t.to('eleven')),
      marked: 11 * ramp(ms, t.from('eleven') - 200, t.to('eleven') - 500),
    },
    ms,
  )
}

function drawClimb(c: Context, ms: number, t: Times): void {
  drawLock(c, goingUp(ms, t), ms)
  const until = 1 - ramp(ms, t.from('boat') - 900, t.from('boat') - 200)
  const since = (id: string) => ramp(ms, t.from(id) + 200, t.from(id) + 800) * until
  label(c, 'Chamber', 430, 310, ...LABEL_POINTS.chamber, since('chamber'))
  label(c, 'Lower gates', 150, 300, ...LABEL_POINTS.lowerGates, since('lowerGates'))
  label(c, 'Upper gates', 838, 330, ...LABEL_POINTS.upperGates, since('upperGates'))
  label(c, 'Sill', 580, 326, ...LABEL_POINTS.sill, since('sill'))
  label(c, 'Upper paddle', 804, 460, ...LABEL_POINTS.upperPaddle, since('upperPaddle'))
  label(c, 'Lower paddle', 130, 470, ...LABEL_POINTS.lowerPaddle, since('lowerPaddle'))
  const measured =
    ramp(ms, t.from('leaves'), t.from('leaves') + 700) *
    (1 - ramp(ms, t.from('closed'), t.from('closed') + 900))
  riseMark(c, measured)
}

/** A measure of how far the lock lifts. */
function riseMark(c: Context, alpha: number): void {
  faded(c, alpha, () => {
    fillRect(c, COLOURS.rust, 196, 276, 3, 136)
    fillRect(c, COLOURS.rust, 186, 275, 23, 3)
    fillRect(c, COLOURS.rust, 186, 410, 23, 3)
    fillRect(c, COLOURS.paper, 104, 328, 80, 32)
    c.fillStyle = COLOURS.rust
    c.font = 'bold 18px "DejaVu Sans"'
    c.textAlign = 'center'
    c.textBaseline = 'middle'
    c.fillText('2.4 m', 144, 345)
  })
}

function drawDescent(c: Context, ms: number, t: Times): void {
  drawLock(c, goingDown(ms, t), ms)
  const caught =
    ramp(ms, t.from('hang') + 2600, t.from('hang') + 3300) *
    (1 - ramp(ms, t.to('flood'), t.to('flood') + 600))
  label(c, 'Stern caught on the sill', 812, 440, ...LABEL_POINTS.sill, caught)
  const mark =
    ramp(ms, t.from('mark') + 1500, t.from('mark') + 2100) *
    (1 - ramp(ms, t.from('catches'), t.from('catches') + 600))
  label(c, 'Mark', 560, 196, 632, 262, mark)
}

function drawClosing(c: Context, ms: number, t: Times, durationMs: number): void {
  const boat = 0.05 + 0.72 * ((ms - t.from('itDoesNot')) / (durationMs - t.from('itDoesNot')))
  drawHill(c, { running: 0, steps: 1, boat: Math.max(0.05, boat), marked: 0 }, ms)
}

function filmTitle(c: Context, ms: number): void {
  const alpha = ramp(ms, 300, 900) * (1 - ramp(ms, 5600, 6400))
  faded(c, alpha, () => {
    c.textAlign = 'left'
    c.textBaseline = 'alphabetic'
    c.fillStyle = COLOURS.ink
    c.font = 'bold 46px "DejaVu Serif"'
    c.fillText('Water That Climbs', 60, 92)
    c.font = '20px "DejaVu Sans"'
    c.fillText('How a lock lifts a boat', 62, 126)
  })
}

function chapterTitle(c: Context, { title, fromMs }: Chapter, ms: number): void {
  if (fromMs < 1000) return
  const alpha = ramp(ms, fromMs, fromMs + 500) * (1 - ramp(ms, fromMs + 3400, fromMs + 4000))
  faded(c, alpha, () => {
    c.font = 'bold 26px "DejaVu Serif"'
    const width = c.measureText(title).width
    fillRect(c, COLOURS.paper, 40, 36, width + 40, 50)
    fillRect(c, COLOURS.fern, 40, 36, 5, 50)
    c.fillStyle = COLOURS.ink
    c.textAlign = 'left'
    c.textBaseline = 'middle'
    c.fillText(title, 62, 62)
  })
}
