// Which parts a learner has still to work through; the lesson is finished when none is left.
import { partsInOrder, type Lesson, type Part, type Target } from '../lesson/index.ts'

/** How far a learner has come. */
export interface Travelled {
  finishedParts: readonly string[]
  /** The way taken last at each fork, by cue. */
  chosen: Readonly<Record<string, string>>
}

interface Lead {
  fromPart: string
  target: Target
  taken: boolean
}

function leadsOf(lesson: Pick<Lesson, 'cues'>, chosen: Travelled['chosen']): Lead[] {
  return Object.values(lesson.cues).flatMap((cue) =>
    cue.kind === 'fork'
      ? Object.values(cue.choices).map(({ id, target }) => ({
          ...{ fromPart: cue.partId, target },
          taken: chosen[cue.id] === id,
        }))
      : [],
  )
}

/**
 * The parts that are left, in their order. A part is done when it is finished, or was left by a fork for another part;
 * parts that only forks lead to are asked for where a way to them was taken. Whoever took a way to an ending is done.
 */
export function partsLeft(
  lesson: Pick<Lesson, 'parts' | 'cues'>,
  { finishedParts, chosen }: Travelled,
): Part[] {
  const leads = leadsOf(lesson, chosen)
  const taken = leads.filter((lead) => lead.taken)
  if (taken.some(({ target }) => target.to === 'ending')) return []
  const done = new Set(finishedParts)
  const named = new Set<string>()
  const ledTo = new Set<string>()
  for (const { target } of leads) if (target.to === 'part') named.add(target.partId)
  for (const { target, fromPart } of taken)
    if (target.to === 'part') {
      done.add(fromPart)
      ledTo.add(target.partId)
    }
  return partsInOrder(lesson).filter(
    ({ id }, index) => !done.has(id) && (index === 0 || !named.has(id) || ledTo.has(id)),
  )
}

/** The part to go on with from this one: the next that is left after it, else the first that is; null for none. */
export function nextPart(
  lesson: Pick<Lesson, 'parts' | 'cues'>,
  travelled: Travelled,
  fromId: string,
): Part | null {
  const left = partsLeft(lesson, travelled).filter(({ id }) => id !== fromId)
  const order = partsInOrder(lesson).map(({ id }) => id)
  const at = order.indexOf(fromId)
  return left.find(({ id }) => order.indexOf(id) > at) ?? left[0] ?? null
}
