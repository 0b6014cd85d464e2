// Copying a part with all that is in it.
import { cutText } from '../../fields/index.ts'
import { asksIn, LONGEST_PART_TITLE, partsInOrder, routesFrom, thingIdsOf } from '../parts/index.ts'
import type { Edit } from '../runEdit.ts'
import type { Lesson } from '../schema.ts'
import { copyOf, orderBetween } from './placing.ts'

/** The ids of everything that a copy of a part needs anew: the part, its cues, scripts, questions and ways on, and what it is made of. */
export function idsOfPart(lesson: Lesson, partId: string): string[] {
  const part = lesson.parts[partId]
  if (!part) return []
  return [partId, ...thingIdsOf(part), ...mineOf(lesson, partId).flatMap(({ ids }) => ids)]
}

/** What of the lesson's maps belongs to a part. */
function mineOf(
  lesson: Lesson,
  partId: string,
): { map: 'cues' | 'scripts' | 'questions' | 'routes'; ids: string[] }[] {
  const cues = Object.values(lesson.cues).filter((cue) => cue.partId === partId)
  const part = lesson.parts[partId]
  const asked = [
    ...cues.flatMap((cue) => (cue.kind === 'question' ? [cue.questionId] : [])),
    ...(part ? asksIn(part).map(({ questionId }) => questionId) : []),
  ]
  const scripts = Object.values(lesson.scripts).filter((script) => script.partId === partId)
  return [
    { map: 'cues', ids: cues.map(({ id }) => id) },
    { map: 'scripts', ids: scripts.map(({ id }) => id) },
    { map: 'questions', ids: asked },
    { map: 'routes', ids: routesFrom(lesson, partId).map(({ id }) => id) },
  ]
}

/**
 * Puts a copy of a part after it. `newIds` gives a new id for each of `idsOfPart`; what the part says of itself, such as
 * evidence in its own film, then speaks of the copy. What other parts say of it stays with the first.
 */
export const copyPart: Edit<{
  partId: string
  title: string
  newIds: Readonly<Record<string, string>>
}> = {
  name: 'copyPart',
  change: (draft, { partId, title, newIds }) => {
    const part = draft.parts[partId]
    if (!part) return
    const renamed = <T>(value: T): T => renameIds(value, newIds)
    for (const { map, ids } of mineOf(draft, partId))
      for (const id of ids) {
        const things = draft[map]!
        Object.assign(things, { [newIds[id]!]: renamed(things[id]) })
      }
    const parts = partsInOrder(draft)
    const after = parts[parts.findIndex(({ id }) => id === partId) + 1]
    const order = orderBetween(part.order, after?.order ?? null)
    // The words that say that it is a copy must not make a long title too long.
    const name = cutText(title, LONGEST_PART_TITLE)
    draft.parts[newIds[partId]!] = { ...renamed(part), title: name, order }
  },
}

/** The properties that name things of a lesson; words that happen to read like an id stay words. */
const NAMING = new Set([
  'id',
  'partId',
  'fromId',
  'cueId',
  'questionId',
  'sectionId',
  'columnsId',
  'categoryId',
])

/** A copy of plain JSON with other ids: where something is named, and as the keys of maps of things. */
export function renameIds<T>(value: T, newIds: Readonly<Record<string, string>>): T {
  const named = (id: string) => (Object.hasOwn(newIds, id) ? newIds[id]! : id)
  const walk = (inner: unknown, key: string): unknown => {
    if (typeof inner === 'string') return NAMING.has(key) ? named(inner) : inner
    if (Array.isArray(inner)) return inner.map((one) => walk(one, key))
    if (typeof inner !== 'object' || inner === null) return inner
    const isThing = (name: string, held: unknown) => (held as { id?: unknown } | null)?.id === name
    return Object.fromEntries(
      Object.entries(inner).map(([name, held]) => [
        isThing(name, held) ? named(name) : name,
        walk(held, name),
      ]),
    )
  }
  return walk(copyOf(value), '') as T
}
