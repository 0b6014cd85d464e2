// One frame of “The Water Budget of a Flight”: which slide is on the board, and what the lecturer does.
import { COLOURS, faded, fillRect, HEIGHT, WIDTH, type Context } from '../paint.ts'
import { ramp, type Chapter, type Film, type Times } from '../times.ts'
import { drawBook, drawReservoir } from './book.ts'
import { drawBox } from './box.ts'
import { drawFlight } from './flight.ts'
import { drawLedger } from './ledger.ts'
import { NARRATION } from './narration.ts'
import { drawPonds } from './ponds.ts'
import { drawLecturer, drawRoom } from './slides.ts'

/** A new slide takes the place of the last one within this time, in ms. */
const TURN_MS = 600
/** How long before its first sentence a slide is turned to, in ms. */
const AHEAD_MS = 900

const SLIDES: readonly { from: string | null; draw: (c: Context, ms: number, t: Times) => void }[] =
  [
    { from: null, draw: drawReservoir },
    { from: 'box', draw: drawBox },
    { from: 'eleven', draw: drawFlight },
    { from: 'dry', draw: drawLedger },
    { from: 'ponds', draw: drawPonds },
    { from: 'book', draw: drawBook },
  ]

/** Mostly still slides: fewer bits a second than a film that moves all over. */
export const WATER_BUDGET: Film = {
  folder: 'water-budget',
  narration: NARRATION,
  pauseMs: 2000,
  closingMs: 4500,
  spokenNotes: [
    {
      file: 'keeper.m4a',
      text: 'Lock six, Tuesday evening. Both ponds are full. Eight boats went up, and eight came down. We took turns, mostly.',
    },
  ],
  videoBitsPerSecond: 46_000,
  audioBitsPerSecond: 34_000,
  drawFrame,
}

function drawFrame(
  c: Context,
  ms: number,
  t: Times,
  _chapters: readonly Chapter[],
  durationMs: number,
): void {
  drawRoom(c)
  SLIDES.forEach(({ from, draw }, index) => {
    const beginMs = from === null ? -TURN_MS : t.from(from) - AHEAD_MS
    const after = SLIDES[index + 1]?.from
    if (ms < beginMs || (after && ms > t.from(after) - AHEAD_MS + TURN_MS)) return
    faded(c, ramp(ms, beginMs, beginMs + TURN_MS), () => {
      fillRect(c, COLOURS.paper, 36, 34, 716, 458)
      draw(c, ms, t)
    })
  })
  lecturer(c, ms, t)
  faded(c, ramp(ms, durationMs - 1200, durationMs - 100), () =>
    fillRect(c, COLOURS.ink, 0, 0, WIDTH, HEIGHT),
  )
}

/** Points at the board at the beginning of every other sentence; the mouth moves only while one is spoken. */
function lecturer(c: Context, ms: number, t: Times): void {
  const index = NARRATION.findLastIndex(({ id }) => t.from(id) - 300 <= ms)
  const id = NARRATION[Math.max(0, index)]!.id
  const speaking = index >= 0 && ms >= t.from(id) && ms < t.to(id)
  const points = index >= 0 && index % 2 === 1
  const arm = points
    ? ramp(ms, t.from(id) - 300, t.from(id) + 400) * (1 - ramp(ms, t.to(id) - 500, t.to(id) + 200))
    : 0
  drawLecturer(c, ms, arm, speaking)
}
