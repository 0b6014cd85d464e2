// The graph of a lesson: its parts, its endings, and every way between them.
import { inOrder } from '../fields/index.ts'
import {
  cuesInOrder,
  isPlayed,
  leadsOf,
  partsInOrder,
  routesFrom,
  type Condition,
  type Cue,
  type ForkCue,
  type Lesson,
  type Part,
  type Route,
  type Target,
} from '../lesson/index.ts'

/** Where every way ends that leads out of the lesson. */
export const END = 'end'

/** What a way hangs on: a fork of a film, a click on its picture, a pin, a route, or only the order of the parts. */
export type WayKind = 'fork' | 'jump' | 'pin' | 'route' | 'order'

export interface Way {
  id: string
  kind: WayKind
  fromId: string
  /** A part's id, or END. */
  toId: string
  condition: Condition | null
  /** The words by which it is chosen; '' where nobody is asked. */
  words: string
  /** When in the film it leads away, in ms; null at the end of a part. */
  atMs: number | null
  /** The cue, pin or route that it belongs to; null for the order. */
  thingId: string | null
  /** An ending with words of its own. */
  hasWords?: boolean
}

export interface Graph {
  parts: Part[]
  /** Where a learner begins; null in a lesson without parts. */
  startId: string | null
  ways: Way[]
  /** The ways that leave each part. */
  from: ReadonlyMap<string, Way[]>
}

type Walked = Pick<Lesson, 'parts' | 'cues' | 'routes'>

/**
 * The parts to which forks and routes lead. They are asked for only where a way to them was taken; the others follow one
 * another in their order.
 */
export function ledTo({ parts, cues, routes }: Walked): Set<string> {
  const led = new Set<string>()
  const note = (target: Target) => {
    if (target.to === 'part') led.add(target.partId)
  }
  for (const cue of Object.values(cues))
    if (cue.kind === 'fork') for (const { target } of Object.values(cue.choices)) note(target)
  for (const { target } of Object.values(routes ?? {})) note(target)
  // Whoever opens the lesson begins with its first part, whatever leads back to it.
  const first = partsInOrder({ parts })[0]
  if (first) led.delete(first.id)
  return led
}

/** The part that follows in the order: the next to which nothing leads; null for the end. */
export function followingPart(
  lesson: Walked,
  partId: string,
  led = ledTo(lesson),
  parts = partsInOrder(lesson),
): string | null {
  const at = parts.findIndex(({ id }) => id === partId)
  return parts.slice(at + 1).find(({ id }) => !led.has(id))?.id ?? null
}

/** All parts, endings and ways of a lesson. */
export function graphOf(lesson: Walked): Graph {
  const parts = partsInOrder(lesson)
  const led = ledTo(lesson)
  const ways = parts.flatMap((part) => {
    const cues = isPlayed(part) ? cuesInOrder(lesson, part.id) : []
    // One that leads nowhere is never taken: the order leads on instead.
    const routes = routesFrom(lesson, part.id).filter(({ target }) => target.to !== 'on')
    return [
      ...cueWays(cues),
      ...pinWays(part),
      ...routes.flatMap(routeWay),
      ...(isAlwaysLeft(cues, routes)
        ? []
        : [orderWay(part.id, followingPart(lesson, part.id, led, parts))]),
    ]
  })
  const from = new Map<string, Way[]>(parts.map(({ id }) => [id, []]))
  for (const way of ways) from.get(way.fromId)!.push(way)
  return { parts, startId: parts[0]?.id ?? null, ways, from }
}

/** Where a target leads from a part, or null where it stays in it. */
function leaves(target: Target): { toId: string; hasWords: boolean } | null {
  if (target.to === 'part') return { toId: target.partId, hasWords: false }
  return target.to === 'ending' ? { toId: END, hasWords: target.message !== '' } : null
}

function cueWays(cues: readonly Cue[]): Way[] {
  return cues.flatMap((cue): Way[] => {
    const { id, partId: fromId } = cue
    if (cue.kind === 'fork') return forkWays(cue)
    return cue.kind === 'overlay' && cue.action?.does === 'part'
      ? [
          {
            id,
            kind: 'jump',
            fromId,
            toId: cue.action.partId,
            condition: null,
            words: cue.text,
            atMs: cue.fromMs,
            thingId: id,
          },
        ]
      : []
  })
}

function forkWays({ id: cueId, partId: fromId, atMs, decides, choices }: ForkCue): Way[] {
  return inOrder(Object.values(choices)).flatMap(({ id, text, condition, target }): Way[] => {
    const to = leaves(target)
    if (!to) return []
    return [
      {
        id: `${cueId} ${id}`,
        kind: 'fork',
        fromId,
        ...to,
        atMs,
        thingId: cueId,
        condition: decides ? condition : null,
        words: decides ? '' : text,
      },
    ]
  })
}

function pinWays(part: Part): Way[] {
  return leadsOf(part).flatMap(({ thingId, words, partId: toId }): Way[] =>
    toId === null
      ? []
      : [
          {
            id: thingId,
            kind: 'pin',
            fromId: part.id,
            toId,
            condition: null,
            words,
            atMs: null,
            thingId,
          },
        ],
  )
}

function routeWay({ id, fromId, words, target, condition }: Route): Way[] {
  const to = leaves(target)
  return to ? [{ id, kind: 'route', fromId, condition, words, atMs: null, thingId: id, ...to }] : []
}

/** Whether nobody comes past a fork: every way that can be taken at it leads out of its part. */
function alwaysLeadsAway(fork: ForkCue): boolean {
  const ways = inOrder(Object.values(fork.choices))
  const away = (id: string | null) => id !== null && leaves(fork.choices[id]!.target) !== null
  if (!fork.decides)
    return (
      ways.every(({ id }) => away(id)) && (fork.countdownMs === null || away(fork.defaultChoice))
    )
  const always = ways.findIndex(({ condition }) => condition === null)
  const tried = always < 0 ? ways : ways.slice(0, always + 1)
  return tried.every(({ id }) => away(id)) && (always >= 0 || away(fork.defaultChoice))
}

/** Whether a fork or a route is always taken, so that the order never leads on. */
const isAlwaysLeft = (cues: readonly Cue[], routes: readonly Route[]) =>
  cues.some((cue) => cue.kind === 'fork' && alwaysLeadsAway(cue)) ||
  routes.some(({ condition }) => condition === null)

const orderWay = (fromId: string, followingId: string | null): Way => ({
  id: `${fromId} on`,
  kind: 'order',
  fromId,
  toId: followingId ?? END,
  condition: null,
  words: '',
  atMs: null,
  thingId: null,
})
