// Where parts stand on the map of routes and how the ways run between them. In ranks, so that ways lead downwards where
// they can, with room for the words of each; where there are too many ways for that, in columns, in the order of the parts.
import { Graph, layout } from '@dagrejs/dagre'
import type { Graph as LessonGraph, Way } from '@fernbrake/core/routes'

export const NODE = { width: 190, height: 58 }
/** With more ways than these, ranks would be far apart and nobody could follow a line from one to another. */
const MOST_IN_RANKS = 120
/** From one part to the next in columns. */
const CELL = { width: NODE.width + 76, height: NODE.height + 46 }
export const LABEL_HEIGHT = 20
export const LETTER_WIDTH = 6.6

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

/** What the map shows of a lesson. */
export type Mapped = Pick<LessonGraph, 'parts' | 'ways'>

/** Lays a lesson out; `labelOf` gives the words on a way. All in pixels. */
export function layOut(graph: Mapped, end: string, labelOf: (way: Way) => string): Layout {
  const ids = [...graph.parts.map(({ id }) => id), end]
  const known = new Set(ids)
  const ways = graph.ways.filter(({ fromId, toId }) => fromId !== toId && known.has(toId))
  const { nodes, ways: drawn } = isInColumns(graph)
    ? inColumns(ids, onePerPair(ways))
    : inRanks(ids, ways, labelOf)
  return { nodes, ways: drawn, bounds: boundsOf([...nodes.values()], drawn) }
}

/** Whether there are so many ways that no words stand on them, and only those of the part that is picked are followed. */
export const isInColumns = ({ ways }: Mapped) => ways.length > MOST_IN_RANKS

type Placed = Omit<Layout, 'bounds'>

function inRanks(ids: readonly string[], ways: readonly Way[], labelOf: (way: Way) => string) {
  const drawn = new Graph({ multigraph: true })
  drawn.setGraph({ rankdir: 'TB', nodesep: 40, edgesep: 14, ranksep: 34 })
  for (const id of ids) drawn.setNode(id, { ...NODE })
  for (const way of ways) {
    const label = labelOf(way)
    const size =
      label === '' ? {} : { width: label.length * LETTER_WIDTH + 8, height: LABEL_HEIGHT }
    drawn.setEdge(way.fromId, way.toId, { ...size, labelpos: 'c', words: label }, way.id)
  }
  layout(drawn)
  const cornerOf = (id: string): [string, Point] => {
    const { x, y } = drawn.node(id) as Point
    return [id, { x: x - NODE.width / 2, y: y - NODE.height / 2 }]
  }
  const lineOf = (way: Way): DrawnWay => {
    const edge = drawn.edge(way.fromId, way.toId, way.id) as Partial<Point> & {
      points: Point[]
      words: string
    }
    const middle = edge.points[Math.floor(edge.points.length / 2)]!
    const at = { x: edge.x ?? middle.x, y: edge.y ?? middle.y }
    return { way, label: edge.words, points: edge.points, at }
  }
  return { nodes: new Map(ids.map(cornerOf)), ways: ways.map(lineOf) } satisfies Placed
}

/** In columns that are read from top to bottom, as many as make it about as wide as it is high. */
function inColumns(ids: readonly string[], ways: readonly Way[]): Placed {
  const columns = Math.ceil(Math.sqrt((ids.length * CELL.height) / CELL.width))
  const rows = Math.ceil(ids.length / columns)
  const nodes = new Map(
    ids.map((id, index) => {
      const [column, row] = [Math.floor(index / rows), index % rows]
      return [id, { x: column * CELL.width, y: row * CELL.height }]
    }),
  )
  const lineOf = (way: Way): DrawnWay => {
    const points = swing(nodes.get(way.fromId)!, nodes.get(way.toId)!)
    return { way, label: '', points, at: points[1]! }
  }
  return { nodes, ways: ways.map(lineOf) }
}

/** From the foot of one part through the lanes between columns and rows to the head of another. */
function swing(from: Point, to: Point): Point[] {
  const start = { x: from.x + NODE.width / 2, y: from.y + NODE.height }
  const end = { x: to.x + NODE.width / 2, y: to.y }
  const lane = (CELL.height - NODE.height) / 2
  if (to.x === from.x && to.y === from.y + CELL.height) return [start, end]
  // Forwards past the right side of its column, backwards past the left one, so that the two are told apart.
  const leads = to.x > from.x || (to.x === from.x && to.y > from.y)
  const aside = (CELL.width - NODE.width) / 2
  const x = leads ? to.x - (to.x > from.x ? aside : -NODE.width - aside) : to.x - aside
  const out = start.y + lane
  return [
    start,
    { x: start.x, y: out },
    { x, y: out },
    { x, y: end.y - lane },
    { x: end.x, y: end.y - lane },
    end,
  ]
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
