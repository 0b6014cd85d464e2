// Which cues a rectangle drawn on the frond catches.
import type { FrondCue } from './model.ts'
import { LEAF_HEIGHT, RING_RADIUS } from './shapes.ts'
import type { Marquee } from './useFrondPointer.ts'

/** Where things lie on the drawing, in its pixels. */
interface Places {
  x(ms: number): number
  laneY(cueId: string): number
  stemY: number
}

/** Half the height of an overlay's blade, with a little room. */
const BLADE_REACH = 6

/** How far a kind of cue reaches above and below the stem's line. */
function reachOf({ id, kind }: FrondCue, { laneY, stemY }: Places): [top: number, bottom: number] {
  if (kind === 'overlay') return [laneY(id) - BLADE_REACH, laneY(id) + BLADE_REACH]
  if (kind === 'bookmark') return [stemY - RING_RADIUS, stemY + RING_RADIUS]
  return [stemY - LEAF_HEIGHT, stemY]
}

export function cuesIn(drawn: Marquee, cues: readonly FrondCue[], places: Places): string[] {
  const { left, right, top, bottom } = drawn
  return cues
    .filter((cue) => {
      const [above, below] = reachOf(cue, places)
      const isAcross = places.x(cue.toMs) >= left && places.x(cue.fromMs) <= right
      return isAcross && below >= top && above <= bottom
    })
    .map(({ id }) => id)
}
