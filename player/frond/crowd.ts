// A crowd of cues: drawn kind by kind, and found by place.
import type { FrondCue } from './model.ts'
import { LEAF_HEIGHT, LEAF_SHAPE, NOTE_TOP, RING_RADIUS } from './shapes.ts'

/** Where things lie on the drawing, in its pixels. */
export interface FrondPlaces {
  x(ms: number): number
  laneY(cueId: string): number
  stemY: number
}

/** As many cues as can be told apart on one screen. */
export const MOST_TOLD_APART = 200
/** Kinds that a crowd has drawings for; a lesson has few of the others, and they stay themselves. */
const CROWDED: ReadonlySet<FrondCue['kind']> = new Set(['overlay', 'question', 'note', 'bookmark'])

/** Parts what is in view into cues drawn one by one and a crowd; a selected cue always stands out. */
export function partCrowd(
  visible: readonly FrondCue[],
  selected: ReadonlySet<string>,
): { told: FrondCue[]; crowd: FrondCue[] } {
  if (visible.length <= MOST_TOLD_APART) return { told: [...visible], crowd: [] }
  const isOfCrowd = (cue: FrondCue) => CROWDED.has(cue.kind) && !selected.has(cue.id)
  return { told: visible.filter((cue) => !isOfCrowd(cue)), crowd: visible.filter(isOfCrowd) }
}

/** Half the height of an overlay's blade, with a little room. */
const BLADE_REACH = 6

/** How far a kind of cue reaches above and below the stem's line. */
function reachOf({ id, kind }: FrondCue, { laneY, stemY }: FrondPlaces): [number, number] {
  if (kind === 'overlay') return [laneY(id) - BLADE_REACH, laneY(id) + BLADE_REACH]
  if (kind === 'bookmark') return [stemY - RING_RADIUS, stemY + RING_RADIUS]
  return [stemY - LEAF_HEIGHT, stemY]
}

/** A rectangle in the frond's own pixels. */
export interface Marquee {
  left: number
  right: number
  top: number
  bottom: number
}

const isIn = (cue: FrondCue, { left, right, top, bottom }: Marquee, places: FrondPlaces) => {
  const [above, below] = reachOf(cue, places)
  const isAcross = places.x(cue.toMs) >= left && places.x(cue.fromMs) <= right
  return isAcross && below >= top && above <= bottom
}

/** The ids of the cues that a rectangle touches. */
export function cuesIn(drawn: Marquee, cues: readonly FrondCue[], places: FrondPlaces): string[] {
  return cues.filter((cue) => isIn(cue, drawn, places)).map(({ id }) => id)
}

/** A finger or pointer counts as on a cue so many pixels beside it. */
const POINT_REACH = 4

/** The cue of a crowd that a point means: the one that begins nearest among those within reach, or none. */
export function cueAt(
  at: { x: number; y: number },
  cues: readonly FrondCue[],
  places: FrondPlaces,
): FrondCue | null {
  const around: Marquee = {
    left: at.x - POINT_REACH,
    right: at.x + POINT_REACH,
    top: at.y - 1,
    bottom: at.y + 1,
  }
  const away = (cue: FrondCue) => Math.abs(places.x(cue.fromMs) - at.x)
  return cues
    .filter((cue) => isIn(cue, around, places))
    .reduce<FrondCue | null>((best, cue) => (best && away(best) <= away(cue) ? best : cue), null)
}

/** How one cue of a crowd is drawn, as a piece of an SVG path in whole pixels: many fall together, and are drawn once. */
const PIECES: Record<string, (cue: FrondCue, places: FrondPlaces) => string> = {
  overlay: (cue, { x, laneY }) => {
    const left = Math.round(x(cue.fromMs))
    return `M${left} ${laneY(cue.id)}h${Math.max(4, Math.round(x(cue.toMs)) - left)}`
  },
  question: (cue, { x, stemY }) => `M${Math.round(x(cue.fromMs))} ${stemY}${LEAF_SHAPE}`,
  note: (cue, { x, stemY }) => `M${Math.round(x(cue.fromMs))} ${stemY - 4}V${stemY + NOTE_TOP}`,
  bookmark: (cue, { x, stemY }) => `M${Math.round(x(cue.fromMs)) - 2} ${stemY}h4`,
}

/** One path for each kind in the crowd. */
export function crowdPaths(
  cues: readonly FrondCue[],
  places: FrondPlaces,
): Partial<Record<FrondCue['kind'], string>> {
  const pieces = new Map<FrondCue['kind'], Set<string>>()
  for (const cue of cues) {
    const drawn = pieces.get(cue.kind) ?? new Set()
    pieces.set(cue.kind, drawn.add(PIECES[cue.kind]!(cue, places)))
  }
  return Object.fromEntries([...pieces].map(([kind, drawn]) => [kind, [...drawn].join('')]))
}
