// Which parts a learner has still to work through, which ways are open to them, and which gates are shut.
import { partsInOrder, routesFrom, type Lesson, type Part, type Route } from '../lesson/index.ts'
import { isHidden, isMet, type RouteFacts } from './conditions.ts'
import { followingPart, ledTo } from './graph.ts'

/** How far a learner has come. */
export interface Travelled {
  finishedParts: readonly string[]
  /** The way taken last, by what it was taken at: the fork's cue, or the part that a route left. */
  chosen: Readonly<Record<string, string>>
}

/** What decides about conditions: facts of the learner, and the answers given by what asked for them. */
export interface Known {
  facts: RouteFacts
  results: Readonly<Record<string, { right: boolean }>>
}

type Walked = Pick<Lesson, 'parts' | 'cues' | 'routes'>

/** The ways that were taken: from which part, and where to (null: out of the lesson). */
function waysTaken(
  lesson: Walked,
  chosen: Travelled['chosen'],
): { fromId: string; toId: string | null }[] {
  const taken: { fromId: string; toId: string | null }[] = []
  const note = (fromId: string, target: Route['target']) => {
    if (target.to === 'part') taken.push({ fromId, toId: target.partId })
    if (target.to === 'ending') taken.push({ fromId, toId: null })
  }
  for (const [place, choiceId] of Object.entries(chosen)) {
    const cue = Object.hasOwn(lesson.cues, place) ? lesson.cues[place] : undefined
    const choice = cue?.kind === 'fork' ? cue.choices[choiceId] : undefined
    if (cue && choice) note(cue.partId, choice.target)
    const route = lesson.routes?.[choiceId]
    if (route?.fromId === place) note(place, route.target)
  }
  return taken
}

/** Whether a gate keeps a learner from a part. */
export function isShut(part: Part, { facts, results }: Known): boolean {
  if (part.gate === undefined) return false
  return isHidden(part.gate.condition, facts)
    ? facts.hidden!.shut.includes(part.id)
    : !isMet(part.gate.condition, facts, results)
}

/**
 * The parts that are left, in their order. A part is done when it is finished, or was left by a way for another part;
 * parts that only ways lead to are asked for where such a way was taken. Whoever took a way to an ending is done. Behind a
 * gate that is shut nothing is asked for, so that nobody is ever stuck before one; without `known` none is shut.
 */
export function partsLeft(
  lesson: Walked,
  { finishedParts, chosen }: Travelled,
  known: Known | null = null,
): Part[] {
  const taken = waysTaken(lesson, chosen)
  if (taken.some(({ toId }) => toId === null)) return []
  const done = new Set([...finishedParts, ...taken.map(({ fromId }) => fromId)])
  const led = ledTo(lesson)
  const ledHere = new Set(taken.map(({ toId }) => toId))
  return partsInOrder(lesson).filter(
    (part) =>
      !done.has(part.id) &&
      (!led.has(part.id) || ledHere.has(part.id)) &&
      !(known && isShut(part, known)),
  )
}

/** The parts that are shown to a learner: all but those to which only ways lead that were not taken; the open one always. */
export function partsShown(
  lesson: Walked,
  { finishedParts, chosen }: Travelled,
  openId: string,
): Part[] {
  const led = ledTo(lesson)
  const ledHere = new Set(waysTaken(lesson, chosen).map(({ toId }) => toId))
  return partsInOrder(lesson).filter(
    ({ id }) => !led.has(id) || ledHere.has(id) || finishedParts.includes(id) || id === openId,
  )
}

/**
 * Which of the parts that are shown a learner may open now: what they have finished, and what no gate keeps from them; in
 * a lesson whose parts are opened one after the other, only the first of these that is not finished.
 */
export function partsOpen(
  { navigation }: Pick<Lesson, 'navigation'>,
  shown: readonly Part[],
  finishedParts: readonly string[],
  known: Known,
): Set<string> {
  const left = shown.filter((part) => !finishedParts.includes(part.id) && !isShut(part, known))
  const open = navigation === 'inOrder' ? left.slice(0, 1) : left
  return new Set([...finishedParts, ...open.map(({ id }) => id)])
}

/** The part to go on with from this one: the next that is left after it, else the first that is; null for none. */
export function nextPart(
  lesson: Walked,
  travelled: Travelled,
  fromId: string,
  known: Known | null = null,
): Part | null {
  const left = partsLeft(lesson, travelled, known).filter(({ id }) => id !== fromId)
  const order = partsInOrder(lesson).map(({ id }) => id)
  const at = order.indexOf(fromId)
  const following = followingPart(lesson, fromId)
  return (
    left.find(({ id }) => id === following) ??
    left.find(({ id }) => order.indexOf(id) > at) ??
    left[0] ??
    null
  )
}

/**
 * The routes that are open at the end of a part: those whose condition holds, up to the first that asks nobody. None
 * where the order leads on. A route before a gate that is shut is not open.
 */
export function routesOpen(lesson: Walked, partId: string, known: Known): Route[] {
  const open: Route[] = []
  for (const route of routesFrom(lesson, partId)) {
    const { target, condition, words } = route
    const isOpen = isHidden(condition, known.facts)
      ? known.facts.hidden!.open[partId]?.includes(route.id)
      : isMet(condition, known.facts, known.results)
    if (target.to === 'on' || !isOpen) continue
    const part = target.to === 'part' ? lesson.parts[target.partId] : undefined
    if (part && isShut(part, known)) continue
    open.push(route)
    if (words === '') break
  }
  return open
}

/** Whether the server has to be asked which ways lead on from the end of a part, and was not yet. */
export const isWayUnknown = (lesson: Walked, partId: string, { facts }: Known): boolean =>
  facts.hidden?.open[partId] === undefined &&
  routesFrom(lesson, partId).some(({ condition }) => isHidden(condition, facts))
