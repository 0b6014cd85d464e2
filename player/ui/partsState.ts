// The parts of a lesson as a learner sees them: what they are called, which is open, which are done, which comes next.
import { partsInOrder, type Lesson, type Part } from '@fernbrake/core/lesson'
import { nextPart, partsLeft, type Travelled } from '@fernbrake/core/routes'

export interface ShownPart {
  id: string
  title: string
  kind: Part['kind']
  isDone: boolean
}

export interface PartsState {
  openId: string
  all: ShownPart[]
  next: ShownPart | null
}

/** Parts that only a fork leads to are not offered before it does. */
export function partsState(lesson: Lesson, travelled: Travelled, openId: string): PartsState {
  const left = new Set(partsLeft(lesson, travelled).map(({ id }) => id))
  const finished = new Set(travelled.finishedParts)
  const shown = ({ id, title, kind }: Part): ShownPart => ({
    ...{ id, title, kind },
    isDone: finished.has(id),
  })
  const next = nextPart(lesson, travelled, openId)
  return {
    openId,
    all: partsInOrder(lesson)
      .filter(({ id }) => left.has(id) || finished.has(id) || id === openId)
      .map(shown),
    next: next && shown(next),
  }
}
