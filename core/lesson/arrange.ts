// Arranging boxes on the stage: aligning, distributing, snapping. Boxes in, boxes out, all in stage coordinates.
import { boxOnStage } from './edits/index.ts'
import type { Box, Point } from './overlaySchema.ts'

export type Side = 'left' | 'centre' | 'right' | 'top' | 'middle' | 'bottom'

interface Axis {
  at: 'x' | 'y'
  size: 'width' | 'height'
}
const ACROSS: Axis = { at: 'x', size: 'width' }
const DOWN: Axis = { at: 'y', size: 'height' }
/** What is aligned by: the axis, and the share of a box's size that lies before its line. */
const SIDES: Record<Side, { axis: Axis; share: number }> = {
  left: { axis: ACROSS, share: 0 },
  centre: { axis: ACROSS, share: 0.5 },
  right: { axis: ACROSS, share: 1 },
  top: { axis: DOWN, share: 0 },
  middle: { axis: DOWN, share: 0.5 },
  bottom: { axis: DOWN, share: 1 },
}

/** Brings boxes to one line: that of the rectangle round all of them, or of the stage where there is only one. */
export function alignedBoxes(boxes: readonly Box[], side: Side): Box[] {
  const { axis, share } = SIDES[side]
  const { at, size } = axis
  const from = boxes.length > 1 ? Math.min(...boxes.map((box) => box[at])) : 0
  const to = boxes.length > 1 ? Math.max(...boxes.map((box) => box[at] + box[size])) : 1
  const line = from + (to - from) * share
  return boxes.map((box) => boxOnStage({ ...box, [at]: line - box[size] * share }))
}

/** Makes the gaps between boxes equal, across or down; the first and the last stay. Fewer than three stay as they are. */
export function distributedBoxes(boxes: readonly Box[], way: 'across' | 'down'): Box[] {
  if (boxes.length < 3) return [...boxes]
  const { at, size } = way === 'across' ? ACROSS : DOWN
  const order = boxes.map((_, index) => index).sort((a, b) => boxes[a]![at] - boxes[b]![at])
  const first = boxes[order[0]!]!
  const last = boxes[order.at(-1)!]!
  const taken = boxes.reduce((sum, box) => sum + box[size], 0)
  const gap = (last[at] + last[size] - first[at] - taken) / (boxes.length - 1)
  const placed = [...boxes]
  let next = first[at]
  for (const index of order) {
    placed[index] = boxOnStage({ ...boxes[index]!, [at]: next })
    next += boxes[index]![size] + gap
  }
  return placed
}

/** The lines that a box was held by, as shares of the stage; null where it was not. */
export interface Guides {
  x: number | null
  y: number | null
}

/** The stage is divided into so many fields for snapping, in each direction. */
export const GRID_FIELDS = 24

/**
 * Moves a box by less than `within` (shares of the stage, across and down) so that an edge or its middle comes to lie
 * on an edge or the middle of the stage or of another box, else so that its left or top edge lies on the grid; the
 * grid holds from half as far, or from anywhere where `byGrid` asks for it.
 */
export function snappedBox(
  box: Box,
  others: readonly Box[],
  within: { x: number; y: number },
  byGrid = false,
): { box: Box; guides: Guides } {
  const x = snapAxis(box, others, ACROSS, within.x, byGrid)
  const y = snapAxis(box, others, DOWN, within.y, byGrid)
  return {
    box: boxOnStage({ ...box, x: box.x + x.by, y: box.y + y.by }),
    guides: { x: x.line, y: y.line },
  }
}

interface Snap {
  by: number
  line: number | null
}

const linesOf = (from: number, length: number) => [from, from + length / 2, from + length]

/** How far the nearest of `own` lines is from an edge or the middle of the stage or of another box, within reach. */
function snapToLines(
  own: readonly number[],
  others: readonly Box[],
  { at, size }: Axis,
  within: number,
): Snap | null {
  const lines = [...linesOf(0, 1), ...others.flatMap((other) => linesOf(other[at], other[size]))]
  let best: Snap | null = null
  for (const edge of own)
    for (const line of lines)
      if (Math.abs(line - edge) < Math.abs(best?.by ?? within)) best = { by: line - edge, line }
  return best
}

function snapToGrid(edge: number, within: number, byGrid: boolean): Snap {
  const by = Math.round(edge * GRID_FIELDS) / GRID_FIELDS - edge
  return { by: byGrid || Math.abs(by) < within / 2 ? by : 0, line: null }
}

function snapAxis(
  box: Box,
  others: readonly Box[],
  axis: Axis,
  within: number,
  byGrid: boolean,
): Snap {
  const own = linesOf(box[axis.at], box[axis.size])
  return snapToLines(own, others, axis, within) ?? snapToGrid(own[0]!, within, byGrid)
}

/** Draws one corner of a box by less than `within` onto the lines that `snappedBox` moves to; the others stay. */
export function snappedCorner(
  box: Box,
  corner: Corner,
  others: readonly Box[],
  within: { x: number; y: number },
  byGrid = false,
): { box: Box; guides: Guides } {
  const snap = (axis: Axis, reach: number, isNear: boolean) => {
    const edge = box[axis.at] + (isNear ? 0 : box[axis.size])
    return snapToLines([edge], others, axis, reach) ?? snapToGrid(edge, reach, byGrid)
  }
  const x = snap(ACROSS, within.x, corner.endsWith('w'))
  const y = snap(DOWN, within.y, corner.startsWith('n'))
  return { box: cornerDrawn(box, corner, x.by, y.by), guides: { x: x.line, y: y.line } }
}

/** Boxes moved together as far as all of them stay on the stage; their distances stay as they are. */
export function movedTogether(boxes: readonly Box[], dx: number, dy: number): Box[] {
  const bounded = ({ at, size }: Axis, by: number) => {
    const least = Math.max(...boxes.map((box) => -box[at]))
    const most = Math.min(...boxes.map((box) => 1 - box[at] - box[size]))
    return Math.min(Math.max(by, least), most)
  }
  if (boxes.length === 0) return []
  const [x, y] = [bounded(ACROSS, dx), bounded(DOWN, dy)]
  return boxes.map((box) => boxOnStage({ ...box, x: box.x + x, y: box.y + y }))
}

export type Corner = 'nw' | 'ne' | 'sw' | 'se'

/** The least that a box may become, as a share of the stage. */
const LEAST_SIZE = 0.01

/** A box one of whose corners was drawn by shares of the stage; the opposite corner stays. */
export function cornerDrawn(box: Box, corner: Corner, dx: number, dy: number): Box {
  const draw = ({ at, size }: Axis, by: number, isNear: boolean) => {
    const [near, far] = [box[at], box[at] + box[size]]
    const from = isNear ? Math.max(0, Math.min(near + by, far - LEAST_SIZE)) : near
    const to = isNear ? far : Math.min(1, Math.max(far + by, near + LEAST_SIZE))
    return { from, length: to - from }
  }
  const across = draw(ACROSS, dx, corner.endsWith('w'))
  const down = draw(DOWN, dy, corner.startsWith('n'))
  return boxOnStage({ x: across.from, width: across.length, y: down.from, height: down.length })
}

/** A way across the stage seen along the sides of a box that is turned; `ratio` is the stage's width by its height. */
export function alongTurned(dx: number, dy: number, degrees: number, ratio: number): Point {
  const angle = (-degrees * Math.PI) / 180
  const [x, y] = [dx * ratio, dy]
  return {
    x: (x * Math.cos(angle) - y * Math.sin(angle)) / ratio,
    y: x * Math.sin(angle) + y * Math.cos(angle),
  }
}

/** How far a box is turned whose upper middle points at `to`, in degrees clockwise, on a step of `stepDegrees`. */
export function degreesTowards(box: Box, to: Point, ratio: number, stepDegrees: number): number {
  const [x, y] = [(to.x - box.x - box.width / 2) * ratio, to.y - box.y - box.height / 2]
  // A sum with 0 is never −0.
  return Math.round((Math.atan2(x, -y) * 180) / Math.PI / stepDegrees) * stepDegrees + 0
}
