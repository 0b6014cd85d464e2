// How long the shortest and the longest way through a lesson are, in minutes and in marks.
import { placesAsked } from '../analysis/index.ts'
import { plainOf } from '../fields/index.ts'
import {
  isPlayed,
  playingMs,
  textsOfPart,
  thingsToSee,
  type Lesson,
  type Part,
} from '../lesson/index.ts'
import { pageReadingMs } from '../text/index.ts'
import { END, followingPart, type Graph, type Way } from './graph.ts'

export interface Extreme {
  minutes: number
  /** The marks that can be had on this way. */
  points: number
  partIds: string[]
}

export interface Measured {
  /** By minutes. */
  shortest: Extreme
  longest: Extreme
  /** The fewest and the most marks that a way has to offer. */
  fewest: Extreme
  most: Extreme
  /** False where the search was given up: then there may be longer ways than were found. */
  isWhole: boolean
}

/** Thinking about and answering one question, in ms. */
const ANSWERING_MS = 30_000
/** Looking at a pin, a slide or an entry, in ms. */
const LOOKING_MS = 12_000
/** So many steps are gone, at the most, when ways are tried out one by one. */
const MOST_STEPS = 60_000

interface Cost {
  ms: number
  points: number
}

/** What a part takes and gives to somebody who leaves it by a way; a fork cuts a film short. */
function costsOf(lesson: Lesson, part: Part): (way: Way) => Cost {
  const places = placesAsked(lesson, part)
  const lookingMs =
    pageReadingMs(textsOfPart(part).map(plainOf).join(' ')) + thingsToSee(part).length * LOOKING_MS
  return ({ atMs }) => {
    const asked = places.filter(
      (place) => place.atMs === null || atMs === null || place.atMs <= atMs,
    )
    const ms = isPlayed(part) ? (atMs ?? playingMs(part) ?? 0) : lookingMs
    return {
      ms: ms + asked.length * ANSWERING_MS,
      points: asked.reduce((sum, { question }) => sum + question.points, 0),
    }
  }
}

interface Step {
  toId: string
  cost: Cost
}

/** What cannot happen, as the survey says: ways that nobody takes, and gates that never open. */
export interface Impossible {
  wayIds: ReadonlySet<string>
  shutIds: ReadonlySet<string>
}

/** From each part the steps that lead on, without those that only look aside, and without what cannot happen. */
function stepsOf(
  lesson: Lesson,
  graph: Graph,
  { wayIds, shutIds }: Impossible,
): Map<string, Step[]> {
  /** Where the order leads on, past gates that never open. */
  const openFrom = (partId: string): string => {
    if (!shutIds.has(partId)) return partId
    return openFrom(followingPart(lesson, partId) ?? END)
  }
  return new Map(
    graph.parts.map((part) => {
      const costOf = costsOf(lesson, part)
      const steps = graph.from.get(part.id)!.flatMap((way): Step[] => {
        const { id, kind, toId } = way
        if (kind === 'jump' || kind === 'pin' || wayIds.has(id)) return []
        if (kind !== 'order' && shutIds.has(toId)) return []
        return [{ toId: kind === 'order' ? openFrom(toId) : toId, cost: costOf(way) }]
      })
      return [part.id, steps]
    }),
  )
}

interface Found extends Cost {
  partIds: string[]
}

type Worth = (cost: Cost) => number
const MINUTES: Worth = ({ ms }) => ms
const POINTS: Worth = ({ points }) => points

/** The four extremes over all ways from the first part to an end that come to no part twice; null where none ends. */
export function measureWays(lesson: Lesson, graph: Graph, impossible: Impossible): Measured | null {
  const steps = stepsOf(lesson, graph, impossible)
  const start = graph.startId!
  const order = inLine(graph, steps)
  const worths = [MINUTES, POINTS]
  const least = worths.map((worth) => shortestWay(steps, start, worth))
  const { best, isWhole } = order
    ? { best: worths.map((worth) => longestInLine(order, steps, start, worth)), isWhole: true }
    : longestByTrying(steps, start, worths)
  const found = [...least, ...best]
  if (found.some((one) => one === null)) return null
  const [shortest, fewest, longest, most] = found.map((one) => toExtreme(one!))
  return { shortest: shortest!, longest: longest!, fewest: fewest!, most: most!, isWhole }
}

const toExtreme = ({ ms, points, partIds }: Found): Extreme => ({
  minutes: ms / 60_000,
  points,
  partIds,
})

const put = (found: Found, partId: string, { ms, points }: Cost): Found => ({
  ms: found.ms + ms,
  points: found.points + points,
  partIds: [partId, ...found.partIds],
})

/** Dijkstra's way of the least worth; costs are never negative. */
function shortestWay(
  steps: ReadonlyMap<string, Step[]>,
  start: string,
  worth: Worth,
): Found | null {
  interface Reached {
    value: number
    cost: Cost
    before: string | null
    done: boolean
  }
  const reached = new Map<string, Reached>([
    [start, { value: 0, cost: { ms: 0, points: 0 }, before: null, done: false }],
  ])
  for (;;) {
    let here: [string, Reached] | null = null
    for (const one of reached)
      if (!one[1].done && (here === null || one[1].value < here[1].value)) here = one
    if (here === null) return null
    const [id, at] = here
    at.done = true
    if (id === END) return readBack(reached, at.cost)
    for (const { toId, cost } of steps.get(id) ?? []) {
      const value = at.value + worth(cost)
      if (value >= (reached.get(toId)?.value ?? Infinity)) continue
      const sum = { ms: at.cost.ms + cost.ms, points: at.cost.points + cost.points }
      reached.set(toId, { value, cost: sum, before: id, done: false })
    }
  }
}

function readBack(reached: ReadonlyMap<string, { before: string | null }>, cost: Cost): Found {
  const partIds: string[] = []
  for (let id = reached.get(END)!.before; id !== null; id = reached.get(id)!.before)
    partIds.unshift(id)
  return { ...cost, partIds }
}

/** The parts in an order in which no step goes back (Kahn 1962); null where there is a ring. */
function inLine(graph: Graph, steps: ReadonlyMap<string, Step[]>): string[] | null {
  const entering = new Map(graph.parts.map(({ id }) => [id, 0]))
  for (const own of steps.values())
    for (const { toId } of own) if (entering.has(toId)) entering.set(toId, entering.get(toId)! + 1)
  const open = [...entering].filter(([, count]) => count === 0).map(([id]) => id)
  const order: string[] = []
  for (let id = open.pop(); id !== undefined; id = open.pop()) {
    order.push(id)
    for (const { toId } of steps.get(id)!) {
      if (!entering.has(toId)) continue
      const left = entering.get(toId)! - 1
      entering.set(toId, left)
      if (left === 0) open.push(toId)
    }
  }
  return order.length === graph.parts.length ? order : null
}

const NOTHING: Found = { ms: 0, points: 0, partIds: [] }

/** The longest way where none goes round: from the end backwards, each part once. */
function longestInLine(
  order: readonly string[],
  steps: ReadonlyMap<string, Step[]>,
  start: string,
  worth: Worth,
): Found | null {
  const best = new Map<string, Found | null>([[END, NOTHING]])
  for (const id of [...order].reverse()) {
    const ways = steps.get(id)!.flatMap(({ toId, cost }) => {
      const rest = best.get(toId)
      return rest ? [put(rest, id, cost)] : []
    })
    best.set(
      id,
      ways.reduce<Found | null>((a, b) => (a === null || worth(b) > worth(a) ? b : a), null),
    )
  }
  return best.get(start) ?? null
}

/** The steps with parts by number, for the search that goes tens of thousands of them; END is −1. */
function numbered(steps: ReadonlyMap<string, Step[]>) {
  const ids = [...steps.keys()]
  const numberOf = new Map(ids.map((id, at) => [id, at]))
  const from = ids.map((id) =>
    steps
      .get(id)!
      .map(({ toId, cost }) => ({ ...cost, to: toId === END ? -1 : numberOf.get(toId)! })),
  )
  return { ids, from, numberOf }
}

/** The longest ways that come to no part twice, one for each worth, by trying; given up after so many steps. */
function longestByTrying(
  steps: ReadonlyMap<string, Step[]>,
  start: string,
  worths: readonly Worth[],
): { best: (Found | null)[]; isWhole: boolean } {
  const { ids, from, numberOf } = numbered(steps)
  const best = worths.map((): Found | null => null)
  const isOn = new Uint8Array(ids.length)
  const path: number[] = []
  let gone = 0
  const end = (cost: Cost) => {
    worths.forEach((worth, index) => {
      const before = best[index]
      if (!before || worth(cost) > worth(before))
        best[index] = { ...cost, partIds: path.map((at) => ids[at]!) }
    })
  }
  function walk(here: number, ms: number, points: number): void {
    if (isOn[here] === 1 || gone >= MOST_STEPS) return
    gone += 1
    isOn[here] = 1
    path.push(here)
    for (const step of from[here]!)
      if (step.to === -1) end({ ms: ms + step.ms, points: points + step.points })
      else walk(step.to, ms + step.ms, points + step.points)
    path.pop()
    isOn[here] = 0
  }
  walk(numberOf.get(start)!, 0, 0)
  return { best, isWhole: gone < MOST_STEPS }
}
