// Whether a point lies in a shape, in coordinates from 0 to 1; and the nearest way to it, for a finger that is thick.
import { assertNever } from '../../fields/index.ts'
import type { AreaPoint, AreaShape } from './schema.ts'

/** How far from a shape a touch may land and still count, as a share of the picture. */
export const TOUCH_TOLERANCE = 0.02

/** Whether a point lies in a shape or within `tolerance` of its edge. */
export function isWithin(shape: AreaShape, point: AreaPoint, tolerance = 0): boolean {
  switch (shape.shape) {
    case 'rectangle':
      return (
        point.x >= shape.x - tolerance &&
        point.x <= shape.x + shape.width + tolerance &&
        point.y >= shape.y - tolerance &&
        point.y <= shape.y + shape.height + tolerance
      )
    case 'ellipse': {
      const [rx, ry] = [shape.width / 2 + tolerance, shape.height / 2 + tolerance]
      if (rx <= 0 || ry <= 0) return false
      const dx = (point.x - shape.x - shape.width / 2) / rx
      const dy = (point.y - shape.y - shape.height / 2) / ry
      return dx * dx + dy * dy <= 1
    }
    case 'polygon':
      return isInPolygon(shape.points, point) || isNearEdge(shape.points, point, tolerance)
    default:
      return assertNever(shape)
  }
}

/** Even-odd rule: a ray to the right crosses the outline an odd number of times. */
function isInPolygon(points: readonly AreaPoint[], { x, y }: AreaPoint): boolean {
  let inside = false
  for (let index = 0, last = points.length - 1; index < points.length; last = index++) {
    const [a, b] = [points[index]!, points[last]!]
    if (a.y > y === b.y > y) continue
    if (x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) inside = !inside
  }
  return inside
}

function isNearEdge(points: readonly AreaPoint[], point: AreaPoint, tolerance: number): boolean {
  if (tolerance <= 0) return false
  return points.some(
    (corner, index) =>
      distanceToEdge(point, corner, points[(index + 1) % points.length]!) <= tolerance,
  )
}

function distanceToEdge(point: AreaPoint, a: AreaPoint, b: AreaPoint): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y]
  const length = dx * dx + dy * dy
  const along = length === 0 ? 0 : ((point.x - a.x) * dx + (point.y - a.y) * dy) / length
  const at = Math.min(1, Math.max(0, along))
  return Math.hypot(point.x - a.x - at * dx, point.y - a.y - at * dy)
}

/** A point inside the shape: the middle of its box, or, where that lies outside a polygon, the middle of an ear. */
export function middleOf(shape: AreaShape): AreaPoint {
  if (shape.shape !== 'polygon')
    return { x: shape.x + shape.width / 2, y: shape.y + shape.height / 2 }
  const { points } = shape
  const mean = meanOf(points)
  if (isInPolygon(points, mean)) return mean
  const ears = points.map((corner, index) =>
    meanOf([corner, points[(index + 1) % points.length]!, points[(index + 2) % points.length]!]),
  )
  return ears.find((ear) => isInPolygon(points, ear)) ?? points[0]!
}

const meanOf = (points: readonly AreaPoint[]): AreaPoint => ({
  x: points.reduce((sum, { x }) => sum + x, 0) / points.length,
  y: points.reduce((sum, { y }) => sum + y, 0) / points.length,
})

interface Box {
  x: number
  y: number
  width: number
  height: number
}

/** A place smaller than this cannot be taken hold of, as a share of the picture. */
const LEAST_SIDE = 0.01

/** The box that a shape fills. */
export function shapeBox(shape: AreaShape): Box {
  if (shape.shape !== 'polygon') {
    const { x, y, width, height } = shape
    return { x, y, width, height }
  }
  const [xs, ys] = [shape.points.map(({ x }) => x), shape.points.map(({ y }) => y)]
  const [x, y] = [Math.min(...xs), Math.min(...ys)]
  return { x, y, width: Math.max(...xs) - x, height: Math.max(...ys) - y }
}

/** The shape moved and drawn out so that it fills this box, as far as that lies on the picture. */
export function withBox(shape: AreaShape, wanted: Box): AreaShape {
  const width = Math.min(1, Math.max(LEAST_SIDE, wanted.width))
  const height = Math.min(1, Math.max(LEAST_SIDE, wanted.height))
  const box = {
    x: Math.min(1 - width, Math.max(0, wanted.x)),
    y: Math.min(1 - height, Math.max(0, wanted.y)),
    width,
    height,
  }
  if (shape.shape !== 'polygon') return { shape: shape.shape, ...box }
  const from = shapeBox(shape)
  const placed = (value: number, start: number, length: number, to: number, room: number) =>
    Math.min(1, Math.max(0, to + (length > 0 ? (value - start) / length : 0.5) * room))
  return {
    shape: 'polygon',
    points: shape.points.map(({ x, y }) => ({
      x: placed(x, from.x, from.width, box.x, width),
      y: placed(y, from.y, from.height, box.y, height),
    })),
  }
}

/** Corners that a new outline has. */
const NEW_CORNERS = 6

/** The shape as another one that fills the same box; an outline begins with six corners on the ellipse within it. */
export function reshaped(shape: AreaShape, to: AreaShape['shape']): AreaShape {
  if (to === shape.shape) return shape
  const { x, y, width, height } = shapeBox(shape)
  if (to !== 'polygon')
    return withBox({ shape: to, x: 0, y: 0, width: 1, height: 1 }, { x, y, width, height })
  const points = Array.from({ length: NEW_CORNERS }, (_, corner) => {
    const angle = (corner / NEW_CORNERS) * 2 * Math.PI
    return {
      x: x + (width / 2) * (1 + Math.cos(angle)),
      y: y + (height / 2) * (1 + Math.sin(angle)),
    }
  })
  return withBox({ shape: 'polygon', points }, { x, y, width, height })
}
