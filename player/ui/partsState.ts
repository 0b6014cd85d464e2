// The parts of a lesson as a learner sees them: what they are called, which are done, which are shut, and the ways on.
import type { Lesson, Part } from '@fernbrake/core/lesson'
import {
  isShut,
  isWayUnknown,
  nextPart,
  partsOpen,
  partsShown,
  routesOpen,
  type Known,
  type Travelled,
} from '@fernbrake/core/routes'

export interface ShownPart {
  id: string
  title: string
  kind: Part['kind']
  isDone: boolean
  /** What stands before its name; '' for nothing. */
  label: string
  /** What opens it, in words; null where it is open. */
  shut: string | null
  /** Whether the learner may open it now. */
  isOpen: boolean
}

/** A way on from the open part. */
export interface ShownWay {
  /** The route that it is; null where the order leads on. */
  routeId: string | null
  /** The words by which it is chosen; '' where it is the only way. */
  words: string
  /** The part that it leads to; null for the end of the lesson. */
  toId: string | null
  title: string | null
}

export interface PartsState {
  openId: string
  all: ShownPart[]
  ways: ShownWay[]
  /** Parts whose gates are shut, told where nothing else is left. */
  waits: ShownPart[]
  /** Nothing is left of the lesson. */
  isOver: boolean
  /** Only the server knows which ways lead on from here, and has still to be asked. */
  awaits: boolean
}

export interface PartsWords {
  /** What opens a gate. */
  gate(part: Part): string
}

/** The letters of the alphabet, then two of them, as columns are called. */
function letterOf(index: number): string {
  const letter = String.fromCharCode(65 + (index % 26))
  return index < 26 ? letter : letterOf(Math.floor(index / 26) - 1) + letter
}

/** Parts that only ways lead to are not shown before one does. */
export function partsState(
  lesson: Lesson,
  travelled: Travelled,
  known: Known,
  openId: string,
  words: PartsWords,
): PartsState {
  const { finishedParts } = travelled
  const visible = partsShown(lesson, travelled, openId)
  const mayOpen = partsOpen(lesson, visible, finishedParts, known)
  const next = nextPart(lesson, travelled, openId, known)
  const numbering = lesson.numbering ?? 'numbers'
  const shown = visible.map((part, index): ShownPart => {
    const { id, title, kind } = part
    const shut = isShut(part, known) ? words.gate(part) : null
    return {
      id,
      title,
      kind,
      shut,
      isDone: finishedParts.includes(id),
      isOpen: id === openId || mayOpen.has(id),
      label: numbering === 'none' ? '' : numbering === 'letters' ? letterOf(index) : `${index + 1}`,
    }
  })
  const ways = routesOpen(lesson, openId, known).map(({ id: routeId, target, words: said }) => {
    const to = target.to === 'part' ? lesson.parts[target.partId]! : null
    return { routeId, words: said, toId: to?.id ?? null, title: to?.title ?? null }
  })
  const order = next && { routeId: null, words: '', toId: next.id, title: next.title }
  const awaits = finishedParts.includes(openId) && isWayUnknown(lesson, openId, known)
  const all = awaits ? [] : ways.length > 0 ? ways : order ? [order] : []
  return {
    openId,
    all: shown,
    ways: all,
    awaits,
    waits:
      awaits || all.length > 0 ? [] : shown.filter(({ shut, isDone }) => shut !== null && !isDone),
    isOver: !awaits && all.length === 0 && shown.every(({ isDone }) => isDone),
  }
}
