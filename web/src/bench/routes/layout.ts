// Where parts stand on the map of routes: laid out in ranks, so that ways lead downwards where they can.
import { Graph, layout } from '@dagrejs/dagre'
import type { Graph as LessonGraph } from '@fernbrake/core/routes'

export const NODE = { width: 190, height: 58 }

/** The upper left corner of each part, and of the end, in pixels. */
export function placesOf(
  { parts, ways }: LessonGraph,
  end: string,
): Map<string, { x: number; y: number }> {
  const drawn = new Graph({ multigraph: true })
  drawn.setGraph({ rankdir: 'TB', nodesep: 36, ranksep: 54, ranker: 'longest-path' })
  drawn.setDefaultEdgeLabel(() => ({}))
  for (const { id } of parts) drawn.setNode(id, { ...NODE })
  drawn.setNode(end, { ...NODE })
  // One line between two parts is enough to lay them out, however many ways there are.
  const pairs = new Set(ways.map(({ fromId, toId }) => `${fromId} ${toId}`))
  for (const pair of pairs) {
    const [from, to] = pair.split(' ') as [string, string]
    if (from !== to) drawn.setEdge(from, to)
  }
  layout(drawn)
  return new Map(
    drawn.nodes().map((id) => {
      const { x, y } = drawn.node(id)
      return [id, { x: x - NODE.width / 2, y: y - NODE.height / 2 }]
    }),
  )
}
