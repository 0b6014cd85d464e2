// Calm spots for an overlay of twenty seconds, as the worker finds them, without a browser around it.
import {
  calmSpots,
  filmstripLayout,
  STRIP_FRAME_HEIGHT,
  timesToLookAt,
} from '@fernbrake/core/media'
import { inRounds, type Figure } from './stating/figure.ts'

const SECONDS = 20
const HEIGHT = STRIP_FRAME_HEIGHT
const WIDTH = Math.round((HEIGHT * 16) / 9)

/** A picture with as much in it as a real one; the same each time. */
function frameOf(seed: number) {
  const light = Float32Array.from(
    { length: WIDTH * HEIGHT },
    (_, at) => (Math.sin(at * 0.7 + seed) + Math.sin(at * 0.013 * seed) + 2) / 4,
  )
  return { width: WIDTH, height: HEIGHT, light }
}

export async function measureCalmSpot(): Promise<Figure[]> {
  const shots = Array.from({ length: 200 }, (_, index) => index * 3100)
  const times = timesToLookAt(60_000, 60_000 + SECONDS * 1000, shots)
  const frames = times.map((_, index) => frameOf(index))
  const box = { x: 0.06, y: 0.08, width: 0.4, height: 0.12 }
  const fill = { colour: '#F3F3F3', opacity: 0.8 }
  const rounds = await inRounds(() => {
    const began = performance.now()
    calmSpots(frames, { box, ink: '#000000', fill, opacity: 1, others: [box], captions: true })
    return performance.now() - began
  })
  const { everyMs } = filmstripLayout(600_000)
  return [
    {
      id: 'calm.found',
      what: `Calm spots for an overlay of ${SECONDS} s found, without a browser around it`,
      unit: 'ms',
      rounds,
      aim: { most: 300 },
      limit: 'decoding the frames and summing each point once',
      isWork: true,
      reference: `${frames.length} frames, as the strip has one every ${everyMs} ms`,
    },
  ]
}
