// Where ways lead, and where they go round and round.
import { END, type Graph, type Way } from './graph.ts'

/** The parts that can be come to from these; `without` is never entered. */
export function reachableFrom(
  graph: Graph,
  startIds: readonly string[],
  without: string | null = null,
): Set<string> {
  const reached = new Set<string>()
  const open = [...startIds]
  for (let id = open.pop(); id !== undefined; id = open.pop()) {
    if (reached.has(id) || id === without || !graph.from.has(id)) continue
    reached.add(id)
    for (const { toId } of graph.from.get(id)!) open.push(toId)
  }
  return reached
}

/**
 * Parts that lead to one another in a ring, in the order of a depth-first walk (Tarjan 1972). A single part is one only
 * where it leads to itself.
 */
export function ringsOf({ parts, from }: Graph): string[][] {
  const index = new Map<string, number>()
  const low = new Map<string, number>()
  const stack: string[] = []
  const onStack = new Set<string>()
  const rings: string[][] = []
  function visit(id: string): void {
    index.set(id, index.size)
    low.set(id, index.get(id)!)
    stack.push(id)
    onStack.add(id)
    for (const { toId } of from.get(id)!) {
      if (!from.has(toId)) continue
      if (!index.has(toId)) {
        visit(toId)
        low.set(id, Math.min(low.get(id)!, low.get(toId)!))
      } else if (onStack.has(toId)) low.set(id, Math.min(low.get(id)!, index.get(toId)!))
    }
    if (low.get(id) !== index.get(id)) return
    const ring = stack.splice(stack.lastIndexOf(id))
    for (const one of ring) onStack.delete(one)
    if (ring.length > 1 || from.get(id)!.some(({ toId }) => toId === id)) rings.push(ring)
  }
  for (const { id } of parts) if (!index.has(id)) visit(id)
  return rings
}

/** Whether a way goes on by itself or is offered when a part has come to its end; jumps and pins come back. */
const leadsOn = ({ kind }: Way) => kind === 'fork' || kind === 'route' || kind === 'order'

/** Rings that nobody who is in them can leave: no way out of them leads on. */
export function findLoops(graph: Graph, reached: ReadonlySet<string>): string[][] {
  return ringsOf(graph).filter((ring) => {
    const inside = new Set(ring)
    const leaves = ({ toId }: Way) => toId === END || !inside.has(toId)
    const isLeft = ring.some((id) => graph.from.get(id)!.some((way) => leadsOn(way) && leaves(way)))
    return !isLeft && ring.some((id) => reached.has(id))
  })
}
