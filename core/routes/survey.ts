// What is wrong or doubtful about the ways of a lesson, and how long its shortest and longest are. Findings name their
// place; the words stand in the language files.
import { placesAsked } from '../analysis/index.ts'
import { askingOf, isPlayed, leadsOf, type Condition, type Lesson } from '../lesson/index.ts'
import { END, graphOf, type Graph, type Way } from './graph.ts'
import { findLoops, reachableFrom } from './reach.ts'
import { measureWays, type Impossible, type Measured } from './measure.ts'
import { findRings } from './rings.ts'

export type RouteFinding =
  /** No way leads there. */
  | { code: 'unreachable'; partId: string }
  /** A learner who comes there never comes to an end. */
  | { code: 'loop'; partIds: string[] }
  /** A fork leads back by itself, and nothing on the way can change that: it goes round once, and then lets go. */
  | { code: 'ring'; partId: string; cueId: string; atMs: number }
  /** Its condition can never hold when a learner stands before it. */
  | { code: 'gateShut'; partId: string }
  /** Nobody stands before it: the lesson begins behind it. */
  | { code: 'gateAtStart'; partId: string }
  /** It can never be taken: its condition cannot hold, or an earlier way is always taken instead. */
  | { code: 'neverTaken'; partId: string; wayId: string; why: 'condition' | 'earlier' }
  /** It leads nowhere yet, or no longer. */
  | { code: 'leadsNowhere'; partId: string; wayId: string }
  /** The lesson ends here without a word, while elsewhere it ends with one. */
  | { code: 'endsUnsaid'; partId: string }

export interface Survey {
  findings: RouteFinding[]
  measured: Measured | null
}

/** Looks at all ways of a lesson. */
export function surveyRoutes(lesson: Lesson): Survey {
  const graph = graphOf(lesson)
  if (graph.startId === null) return { findings: [], measured: null }
  const reached = comeTo(lesson, graph)
  const shut = findShutGates(lesson, graph)
  const findings = [
    ...findUnreachable(graph, reached, new Set(shut.map(({ partId }) => partId))),
    ...shut,
    ...findGateAtStart(lesson, graph),
    ...findNeverTaken(lesson, graph, reached),
    ...findLost(lesson),
    ...findLoops(graph, reached).map((partIds) => ({ code: 'loop' as const, partIds })),
    ...graph.parts
      .filter((part) => isPlayed(part) && reached.has(part.id))
      .flatMap(({ id }) => findRings(lesson, id))
      .map((ring) => ({ code: 'ring' as const, ...ring })),
    ...findUnsaid(lesson, graph, reached),
  ]
  return { findings, measured: measureWays(lesson, graph, impossibleOf(findings)) }
}

function impossibleOf(findings: readonly RouteFinding[]): Impossible {
  const wayIds = findings.flatMap((one) => (one.code === 'neverTaken' ? [one.wayId] : []))
  const shutIds = findings.flatMap((one) => (one.code === 'gateShut' ? [one.partId] : []))
  return { wayIds: new Set(wayIds), shutIds: new Set(shutIds) }
}

/** The parts that somebody can come to; a part that learners may open as they like is one. `without` is left out. */
function comeTo(lesson: Lesson, graph: Graph, without: string | null = null): Set<string> {
  const isFree = lesson.navigation !== 'inOrder'
  const starts = isFree ? graph.parts.filter(({ id }) => !isLedTo(graph, id)) : []
  const from = [graph.startId!, ...starts.map(({ id }) => id)]
  return reachableFrom(
    graph,
    from.filter((id) => id !== without),
    without,
  )
}

const isLedTo = (graph: Graph, partId: string) =>
  partId !== graph.startId &&
  graph.ways.some(({ toId, kind }) => toId === partId && (kind === 'fork' || kind === 'route'))

/** A part that may be opened as one likes is come to without a way, but not through a gate that never opens. */
function findUnreachable(
  { parts, ways, startId }: Graph,
  reached: ReadonlySet<string>,
  shut: ReadonlySet<string>,
): RouteFinding[] {
  const led = new Set(ways.flatMap(({ fromId, toId }) => (fromId === toId ? [] : [toId])))
  return parts
    .filter(({ id }) => !reached.has(id) || (shut.has(id) && id !== startId && !led.has(id)))
    .map(({ id: partId }) => ({ code: 'unreachable', partId }))
}

/** Whether a condition can hold for somebody who can have been to these parts and nowhere else. */
function canHold(lesson: Lesson, condition: Condition | null, been: ReadonlySet<string>): boolean {
  if (condition === null) return true
  switch (condition.if) {
    case 'answer': {
      const asking = condition.cueId === null ? null : askingOf(lesson, condition.cueId)
      return asking !== null && been.has(asking.partId)
    }
    case 'watched':
      return condition.atLeast <= 0 || been.has(condition.partId)
    case 'visited':
      return been.has(condition.partId)
    case 'score':
      return condition.atLeast <= 0 || hasMarks(lesson, been)
  }
}

const hasMarks = (lesson: Lesson, been: ReadonlySet<string>) =>
  Object.values(lesson.parts).some(
    (part) =>
      been.has(part.id) && placesAsked(lesson, part).some(({ question }) => question.points > 0),
  )

/** Before a gate one has been everywhere but behind it. */
function findShutGates(
  lesson: Lesson,
  graph: Graph,
): Extract<RouteFinding, { code: 'gateShut' }>[] {
  return graph.parts
    .filter(({ id }) => id !== graph.startId)
    .filter(({ id, gate }) => gate && !canHold(lesson, gate.condition, comeTo(lesson, graph, id)))
    .map(({ id: partId }) => ({ code: 'gateShut', partId }))
}

function findGateAtStart(lesson: Lesson, { startId }: Graph): RouteFinding[] {
  const isGated = startId !== null && lesson.parts[startId]?.gate !== undefined
  return isGated ? [{ code: 'gateAtStart', partId: startId }] : []
}

function findNeverTaken(
  lesson: Lesson,
  graph: Graph,
  reached: ReadonlySet<string>,
): RouteFinding[] {
  return graph.parts.flatMap(({ id: partId }): RouteFinding[] => {
    const own = graph.from.get(partId)!
    const stuck = own.filter(({ condition }) => !canHold(lesson, condition, reached))
    const shadowed = own.filter((way) => isShadowed(own, way))
    return [
      ...stuck.map(({ id: wayId }) => ({
        code: 'neverTaken' as const,
        partId,
        wayId,
        why: 'condition' as const,
      })),
      ...shadowed
        .filter((way) => !stuck.includes(way))
        .map(({ id: wayId }) => ({
          code: 'neverTaken' as const,
          partId,
          wayId,
          why: 'earlier' as const,
        })),
    ]
  })
}

/** Whether an earlier way of the same fork, or an earlier route, is always taken before it comes to this one. */
function isShadowed(own: readonly Way[], way: Way): boolean {
  const always = ({ condition, words }: Way) => condition === null && words === ''
  const before = own.slice(0, own.indexOf(way))
  if (way.kind === 'route') return before.some((one) => one.kind === 'route' && always(one))
  return (
    way.kind === 'fork' &&
    before.some((one) => one.kind === 'fork' && one.thingId === way.thingId && always(one))
  )
}

/** Routes and pins that lead nowhere. */
function findLost({ routes = {}, parts }: Lesson): RouteFinding[] {
  const lost = Object.values(routes).filter(({ target }) => target.to === 'on')
  return [
    ...lost.map(({ id: wayId, fromId: partId }) => ({
      code: 'leadsNowhere' as const,
      partId,
      wayId,
    })),
    ...Object.values(parts).flatMap((part) =>
      leadsOf(part)
        .filter(({ partId }) => partId === null)
        .map(({ thingId: wayId }) => ({ code: 'leadsNowhere' as const, partId: part.id, wayId })),
    ),
  ]
}

/** Whether everybody is told something: by a word without marks, or by one that begins at none. */
const saysToAll = ({ message, bands = {} }: Lesson['ending']) =>
  message !== '' ||
  Object.values(bands).some(({ from, message: said }) => from === 0 && said !== '')

/** Ends by order alone, where the designer wrote ends elsewhere and none for the whole lesson. */
function findUnsaid(lesson: Lesson, { ways }: Graph, reached: ReadonlySet<string>): RouteFinding[] {
  const ends = ways.filter(({ toId, fromId }) => toId === END && reached.has(fromId))
  if (saysToAll(lesson.ending) || !ends.some(({ hasWords }) => hasWords)) return []
  return ends
    .filter(({ hasWords }) => !hasWords)
    .map(({ fromId: partId }) => ({ code: 'endsUnsaid', partId }))
}
