// Where parts stand on the map of routes and how the ways run between them: in ranks, so that ways lead downwards where
// they can, with room for the words of each.
import { Graph, layout } from '@dagrejs/dagre'
import type { Graph as LessonGraph, Way } from '@fernbrake/core/routes'

export const NODE = { width: 190, height: 58 }
/** Of so many ways no words are shown, and of those between the same two parts only one line. */
const MOST_WORDED = 120
const LABEL_HEIGHT = 20
const LETTER_WIDTH = 6.6

export interface Point {
  x: number
  y: number
}

export interface DrawnWay {
  way: Way
  label: string
  points: Point[]
  /** The middle of its label. */
  at: Point
}

export interface Layout {
  /** The upper left corner of each part, and of the end. */
  nodes: Map<string, Point>
  ways: DrawnWay[]
  /** The least box that holds all of it. */
  bounds: { x: number; y: number; width: number; height: number }
}

/** Lays a lesson out; `labelOf` gives the words on a way. All in pixels. */
export function layOut(
  { parts, ways }: LessonGraph,
  end: string,
  labelOf: (way: Way) => string,
): Layout {
  const isWorded = ways.length <= MOST_WORDED
  const drawn = new Graph({ multigraph: true })
  drawn.setGraph({ rankdir: 'TB', nodesep: 40, edgesep: 14, ranksep: isWorded ? 34 : 54 })
  for (const { id } of parts) drawn.setNode(id, { ...NODE })
  drawn.setNode(end, { ...NODE })
  const shown = isWorded ? ways : onePerPair(ways)
  const lines = shown.filter(({ fromId, toId }) => fromId !== toId && drawn.hasNode(toId))
  for (const way of lines) {
    const label = isWorded ? labelOf(way) : ''
    const size =
      label === '' ? {} : { width: label.length * LETTER_WIDTH + 8, height: LABEL_HEIGHT }
    drawn.setEdge(way.fromId, way.toId, { ...size, labelpos: 'c', words: label }, way.id)
  }
  layout(drawn)
  const nodes = new Map(
    drawn.nodes().map((id) => {
      const { x, y } = drawn.node(id) as Point
      return [id, { x: x - NODE.width / 2, y: y - NODE.height / 2 }]
    }),
  )
  const drawnWays = lines.map((way): DrawnWay => {
    const edge = drawn.edge(way.fromId, way.toId, way.id) as Partial<Point> & {
      points: Point[]
      words: string
    }
    const middle = edge.points[Math.floor(edge.points.length / 2)]!
    const at = { x: edge.x ?? middle.x, y: edge.y ?? middle.y }
    return { way, label: edge.words, points: edge.points, at }
  })
  return { nodes, ways: drawnWays, bounds: boundsOf([...nodes.values()], drawnWays) }
}

function boundsOf(corners: readonly Point[], ways: readonly DrawnWay[]): Layout['bounds'] {
  const points = [
    ...corners.flatMap(({ x, y }) => [
      { x, y },
      { x: x + NODE.width, y: y + NODE.height },
    ]),
    ...ways.flatMap(({ points, at, label }) => {
      const half = (label.length * LETTER_WIDTH) / 2
      return [...points, { x: at.x - half, y: at.y }, { x: at.x + half, y: at.y }]
    }),
  ]
  const least = (of: keyof Point) => points.reduce((min, point) => Math.min(min, point[of]), 0)
  const most = (of: keyof Point) => points.reduce((max, point) => Math.max(max, point[of]), 0)
  const [x, y] = [least('x'), least('y')]
  return { x, y, width: most('x') - x, height: most('y') - y }
}

function onePerPair(ways: readonly Way[]): Way[] {
  const seen = new Set<string>()
  return ways.filter(({ fromId, toId }) => {
    const pair = `${fromId} ${toId}`
    if (seen.has(pair)) return false
    seen.add(pair)
    return true
  })
}

/** A line through points that bends softly at each. */
export function softPath([first, ...rest]: readonly Point[]): string {
  if (!first) return ''
  const bends = rest.slice(0, -1).map((point, index) => {
    const next = rest[index + 1]!
    return `Q ${point.x} ${point.y} ${(point.x + next.x) / 2} ${(point.y + next.y) / 2}`
  })
  const last = rest.at(-1)
  return [`M ${first.x} ${first.y}`, ...bends, ...(last ? [`L ${last.x} ${last.y}`] : [])].join(' ')
}
