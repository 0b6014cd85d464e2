// What the server says of conditions that a learner's device cannot judge, because questions were cut for this learner:
// which gates are shut, and which ways are open where the learner stands. Never what an answer was.
import { routesFrom, type Lesson } from '../lesson/index.ts'
import { isHidden, isMet, type RouteFacts } from './conditions.ts'
import { isShut, type Known } from './partsLeft.ts'

export interface Judged {
  /** The parts whose gates are shut, of those that the device cannot judge. */
  shut: string[]
  /** The ways whose condition holds, by the fork or the part that they leave from. */
  open: Record<string, string[]>
}

export const NOTHING_JUDGED: Judged = { shut: [], open: {} }

/** The ways of a fork or of a part's end whose condition holds; null where nothing of that id has any. */
export function openAt(lesson: Lesson, placeId: string, known: Known): string[] | null {
  const cue = Object.hasOwn(lesson.cues, placeId) ? lesson.cues[placeId] : undefined
  const isPart = Object.hasOwn(lesson.parts, placeId)
  if (cue?.kind !== 'fork' && !isPart) return null
  const ways = cue?.kind === 'fork' ? Object.values(cue.choices) : routesFrom(lesson, placeId)
  return ways
    .filter(({ condition }) => isMet(condition, known.facts, known.results))
    .map(({ id }) => id)
}

/**
 * What a device has to be told of: `here` is what it knows itself, `known` is all there is to know. Of ways, those at the
 * ends of the parts that are finished, and at the `places` that it asks about.
 */
export function judgedFor(
  lesson: Lesson,
  here: RouteFacts,
  known: Known,
  finishedParts: readonly string[],
  places: readonly string[] = [],
): Judged {
  const parts = Object.values(lesson.parts)
  const shut = parts
    .filter((part) => part.gate && isHidden(part.gate.condition, here) && isShut(part, known))
    .map(({ id }) => id)
  const ends = finishedParts.filter((partId) =>
    routesFrom(lesson, partId).some(({ condition }) => isHidden(condition, here)),
  )
  const open = [...ends, ...places].flatMap((placeId) => {
    const ways = openAt(lesson, placeId, known)
    return ways ? [[placeId, ways] as const] : []
  })
  return { shut, open: Object.fromEntries(open) }
}
