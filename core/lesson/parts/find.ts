// Parts by their kind and in their order, and who asks a question where.
import { inOrder } from '../../fields/index.ts'
import type { Route } from '../routeSchema.ts'
import type { Lesson } from '../schema.ts'
import type { FilmPart } from './film/schema.ts'
import { asksIn, tellsAtEnd } from './kinds.ts'
import type { Part, PartKindName, PartOf } from './schema.ts'

type WithParts = Pick<Lesson, 'parts'>

/** The parts in the order a learner meets them. */
export function partsInOrder(lesson: WithParts): Part[] {
  return inOrder(Object.values(lesson.parts))
}

/** The parts of a kind in the order a learner meets them. */
export function partsOfKind<K extends PartKindName>(lesson: WithParts, kind: K): PartOf<K>[] {
  return partsInOrder(lesson).filter((part): part is PartOf<K> => part.kind === kind)
}

/** The film parts in the order a learner meets them. */
export const filmsInOrder = (lesson: WithParts): FilmPart[] => partsOfKind(lesson, 'film')

/** A part of this id and kind, or null. */
export function partOfKind<K extends PartKindName>(
  lesson: WithParts,
  partId: string,
  kind: K,
): PartOf<K> | null {
  const part = Object.hasOwn(lesson.parts, partId) ? lesson.parts[partId] : undefined
  return part?.kind === kind ? (part as PartOf<K>) : null
}

/** Whether a film's frames can be drawn for somebody to point at: not those of a film that stays with its host. */
export function hasFrames({ durationMs, frameRate }: FilmPart): boolean {
  return durationMs === null || frameRate !== null
}

/** The length of a film part in ms; null where it is not known, or the part is no film. */
export function filmLengthMs(lesson: WithParts, partId: string): number | null {
  return partOfKind(lesson, partId, 'film')?.durationMs ?? null
}

/**
 * Whether a part tells by now what came of its answers: it may wait until it was handed in;
 * `tells` is the word of the class.
 */
export const tellsNow = (part: Part, isFinished: boolean, tells: boolean): boolean =>
  tells && (isFinished || !tellsAtEnd(part))

/** Where a question is asked: by a cue of a film, an item of a quiz, a block of a page, a pin of a still. */
export interface Asking {
  /** The id of what asks it. */
  id: string
  partId: string
  questionId: string
  /** The time that the question sets, in ms. */
  countdownMs?: number | undefined
}

/** Who asks under this id, or null. */
export function askingOf(lesson: Pick<Lesson, 'parts' | 'cues'>, id: string): Asking | null {
  const cue = Object.hasOwn(lesson.cues, id) ? lesson.cues[id] : undefined
  if (cue?.kind === 'question') return cue
  for (const part of Object.values(lesson.parts)) {
    const asks = asksIn(part).find((one) => one.id === id)
    if (asks) return { id, questionId: asks.questionId, partId: part.id }
  }
  return null
}

/** All that asks, in no order. */
export function askersOf(lesson: Pick<Lesson, 'parts' | 'cues'>): Asking[] {
  const cues = Object.values(lesson.cues).filter((cue) => cue.kind === 'question')
  const things = Object.values(lesson.parts).flatMap((part) =>
    asksIn(part).map(({ id, questionId }) => ({ id, questionId, partId: part.id })),
  )
  return [...cues, ...things]
}

/** Of routes that never change, for each part those that leave it: a survey of a large lesson asks for every part. */
const leaving = new WeakMap<object, Map<string, Route[]>>()

/** The routes that leave a part at its end, in order. */
export function routesFrom({ routes }: Pick<Lesson, 'routes'>, partId: string): readonly Route[] {
  if (!routes || !Object.isFrozen(routes)) return inOrder(routesOf(routes, partId))
  const known = leaving.get(routes) ?? new Map<string, Route[]>()
  leaving.set(routes, known)
  const found = known.get(partId) ?? inOrder(routesOf(routes, partId))
  known.set(partId, found)
  return found
}

const routesOf = (routes: Lesson['routes'], partId: string) =>
  Object.values(routes ?? {}).filter(({ fromId }) => fromId === partId)
