// The six clips of “Night Passage”: a boat hangs on the sill in the dark, and what is done first decides what follows.
import { COLOURS, faded, fillRect, HEIGHT, WIDTH, type Context } from '../paint.ts'
import { ramp, through, type Film, type Sentence, type Times } from '../times.ts'
import { drawLock, waterY } from '../water-that-climbs/lock.ts'
import type { LockState } from '../water-that-climbs/story.ts'

interface Clip {
  id: string
  narration: Sentence[]
  state(ms: number, t: Times, durationMs: number): LockState
}

/** Where the boat hangs, and where it floats free, in picture coordinates. */
const HANGS_AT = 560
const FREE_AT = 450
const AT_LOWER_GEAR = 262
const AT_UPPER_GEAR = 742

const still = (level: number): LockState => ({
  level,
  lowerGate: 0,
  upperGate: 0,
  lowerPaddle: 0,
  upperPaddle: 0,
  boat: { x: HANGS_AT, facing: -1 },
  keeperX: AT_LOWER_GEAR,
  winding: false,
})

const CLIPS: readonly Clip[] = [
  {
    id: 'caught',
    narration: [
      {
        id: 'ten',
        text: 'Ten at night, at lock seven. Red Campion goes down the flight.',
        beforeMs: 1800,
      },
      { id: 'drawn', text: 'You have drawn the lower paddles. The chamber empties.' },
      {
        id: 'drifts',
        text: 'Then the lamp on her stern stops sinking. The lamp on her bow does not.',
      },
      { id: 'sits', text: 'Her stern sits on the sill.' },
      { id: 'hand', text: 'The windlass is in your hand. What do you do first?', beforeMs: 700 },
    ],
    state: (ms, t, durationMs) => ({
      ...still(
        through(ms, [
          [0, 1],
          [t.from('drawn'), 1],
          [t.from('drifts'), 0.72],
          [durationMs, 0.46],
        ]),
      ),
      lowerPaddle: ramp(ms, t.from('drawn') - 900, t.from('drawn')),
      winding: ms > t.from('drawn') - 900 && ms < t.from('drawn') + 600,
    }),
  },
  {
    id: 'stopped',
    narration: [
      { id: 'drop', text: 'You knock the pawl away, and the paddles drop.', beforeMs: 900 },
      { id: 'stands', text: 'The water stands still. She hangs, but she hangs no steeper.' },
      { id: 'lights', text: 'On board they hold on to the rail, and to one another.' },
      { id: 'now', text: 'Now you have time to think. What next?', beforeMs: 500 },
    ],
    state: (ms, t) => ({
      ...still(
        through(ms, [
          [0, 0.46],
          [t.from('stands'), 0.42],
        ]),
      ),
      lowerPaddle: 1 - ramp(ms, t.from('drop'), t.from('drop') + 700),
    }),
  },
  {
    id: 'shouted',
    narration: [
      {
        id: 'shout',
        text: 'You shout. The water at the paddles is louder than you are.',
        beforeMs: 900,
      },
      { id: 'waves', text: 'Somebody on board waves back. They think that you greet them.' },
      { id: 'steeper', text: 'Ten seconds are gone, and she hangs steeper.' },
      { id: 'choose', text: 'The windlass is still in your hand.', beforeMs: 500 },
    ],
    state: (ms, _t, durationMs) => ({
      ...still(
        through(ms, [
          [0, 0.46],
          [durationMs, 0.27],
        ]),
      ),
      lowerPaddle: 1,
    }),
  },
  {
    id: 'faster',
    narration: [
      {
        id: 'wind',
        text: 'You wind, so that she may slide off before it is too late.',
        beforeMs: 900,
      },
      { id: 'falls', text: 'The water falls faster than before.' },
      { id: 'bow', text: 'Her bow goes under. The lamp on it goes out.' },
      {
        id: 'rope',
        text: 'They get off by the ladder, all four. The boat stays on the sill until Thursday.',
        beforeMs: 500,
      },
    ],
    state: (ms, t, durationMs) => ({
      ...still(
        through(ms, [
          [0, 0.46],
          [t.from('falls'), 0.34],
          [durationMs, 0.04],
        ]),
      ),
      lowerPaddle: 1,
      winding: ms < t.from('falls'),
    }),
  },
  {
    id: 'floats',
    narration: [
      { id: 'walk', text: 'You walk to the upper gear, and draw half a paddle.', beforeMs: 900 },
      { id: 'rises', text: 'The water comes up under her, slowly.' },
      { id: 'level', text: 'Her bow rises. The two lamps stand level again.' },
      {
        id: 'afloat',
        text: 'She floats. She moves forward, past the white line, and stays there.',
        beforeMs: 600,
      },
      { id: 'tea', text: 'Somebody hands you a mug over the rail.' },
    ],
    state: (ms, t, durationMs) => ({
      ...still(
        through(ms, [
          [0, 0.42],
          [t.from('rises'), 0.46],
          [t.to('level'), 0.82],
          [durationMs, 1],
        ]),
      ),
      upperPaddle: 0.5 * ramp(ms, t.to('walk') - 800, t.to('walk')),
      keeperX: through(ms, [
        [0, AT_LOWER_GEAR],
        [t.to('walk') - 900, AT_UPPER_GEAR],
      ]),
      winding: ms > t.to('walk') - 900 && ms < t.from('rises'),
      boat: {
        x: through(ms, [
          [0, HANGS_AT],
          [t.from('afloat') + 400, HANGS_AT],
          [t.to('afloat'), FREE_AT],
        ]),
        facing: -1,
      },
    }),
  },
  {
    id: 'pole',
    narration: [
      { id: 'reach', text: 'You reach for the pole, and set it against her stern.', beforeMs: 900 },
      { id: 'fifteen', text: 'She weighs fifteen tonnes. She does not move; you do.' },
      { id: 'wet', text: 'You sit on the edge of the chamber with one wet foot.' },
      { id: 'back', text: 'The water still stands. Nothing is lost but the pole.', beforeMs: 500 },
    ],
    state: (ms, t) => ({
      ...still(0.42),
      keeperX: through(ms, [
        [0, AT_LOWER_GEAR],
        [t.to('reach'), 640],
        [t.from('wet'), 650],
      ]),
    }),
  },
]

/** A lamp: a point of light, and what it lights. */
function lamp(c: Context, x: number, y: number, reach: number): void {
  const glow = c.createRadialGradient(x, y, 0, x, y, reach)
  glow.addColorStop(0, 'rgba(255, 226, 150, 0.75)')
  glow.addColorStop(0.25, 'rgba(255, 206, 120, 0.28)')
  glow.addColorStop(1, 'rgba(255, 206, 120, 0)')
  c.fillStyle = glow
  c.fillRect(x - reach, y - reach, reach * 2, reach * 2)
  c.fillStyle = '#FFF3CF'
  c.beginPath()
  c.arc(x, y, 4, 0, Math.PI * 2)
  c.fill()
}

const BOAT_HALF = 118
const SILL_TOP = 328

/** The lamps fore and aft; the bow’s sinks away where the stern is caught. */
function boatLamps(c: Context, state: LockState): void {
  if (!state.boat) return
  const { x } = state.boat
  const surface = waterY(state.level)
  const isCaught = x + BOAT_HALF > 640 && surface > SILL_TOP
  const stern = isCaught ? SILL_TOP : surface
  const drop = isCaught ? Math.min(82, (surface - SILL_TOP) * 1.5) : 0
  lamp(c, x + BOAT_HALF - 12, stern - 44, 110)
  if (state.level > 0.12) lamp(c, x - BOAT_HALF + 26, stern + drop - 34, 90)
}

function night(c: Context, state: LockState, ms: number): void {
  c.save()
  c.globalCompositeOperation = 'multiply'
  fillRect(c, '#38466A', 0, 0, WIDTH, HEIGHT)
  c.restore()
  c.fillStyle = '#E8E3CC'
  c.beginPath()
  c.arc(780, 70, 22, 0, Math.PI * 2)
  c.fill()
  c.save()
  c.globalCompositeOperation = 'screen'
  boatLamps(c, state)
  lamp(c, state.keeperX + 14, 206 + Math.sin(ms / 300), 130)
  c.restore()
}

function filmOf({ id, narration, state }: Clip): Film {
  return {
    folder: `night-passage/${id}`,
    narration,
    pauseMs: 1200,
    closingMs: 3600,
    videoBitsPerSecond: 90_000,
    audioBitsPerSecond: 36_000,
    drawFrame(c, ms, t, _chapters, durationMs) {
      const now = state(ms, t, durationMs)
      drawLock(c, now, ms)
      night(c, now, ms)
      if (id === 'caught') title(c, ms)
      faded(c, 1 - ramp(ms, 0, 500), () => fillRect(c, COLOURS.ink, 0, 0, WIDTH, HEIGHT))
    },
  }
}

function title(c: Context, ms: number): void {
  faded(c, ramp(ms, 200, 800) * (1 - ramp(ms, 4200, 5000)), () => {
    c.textAlign = 'left'
    c.textBaseline = 'alphabetic'
    c.fillStyle = '#E9EFE6'
    c.font = 'bold 46px "DejaVu Serif"'
    c.fillText('Night Passage', 60, 92)
  })
}

export const NIGHT_PASSAGE: readonly Film[] = CLIPS.map(filmOf)
