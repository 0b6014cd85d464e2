// What is done with the things that a part is made of, the same for blocks, pins, slides and dated items.
import { nanoid } from 'nanoid'
import { nextTick } from 'vue'
import {
  edits,
  idsOfThing,
  mapsOfPart,
  MOST_NEW_IDS,
  type ChangeOf,
  type NewQuestion,
  type NewThing,
  type Part,
  type ThingMap,
  type ThingOf,
} from '@fernbrake/core/lesson'
import type { KeptQuestion } from '@fernbrake/core/contract'
import { usePlaces, useBench } from '../useBench.ts'

/** A question with nothing written yet. */
export const blankQuestionHere = (): NewQuestion => ({
  questionId: nanoid(),
  kind: 'choice',
  ids: Array.from({ length: MOST_NEW_IDS }, () => nanoid()),
})

/** A question from the question shelf. */
export const keptQuestionHere = ({ id: shelfId, question }: KeptQuestion): NewQuestion => ({
  questionId: nanoid(),
  shelfId,
  question,
})

const FIRST = ['textarea', 'input:not([type=file])', 'button']
  .map((what) => `.side .body ${what}`)
  .join()

/** Brings the writing mark into the sheet that was just opened. */
export function focusSheet(): void {
  void nextTick(() => document.querySelector<HTMLElement>(FIRST)?.focus())
}

export function useThings(part: () => Part) {
  const bench = useBench()
  const places = usePlaces()
  const { draft } = bench
  const partId = () => part().id

  function add(
    map: ThingMap,
    things: NewThing[],
    more: { afterId?: string | null; asks?: NewQuestion } = {},
  ): boolean {
    const done = draft.make(edits.addThings, { partId: partId(), map, things, ...more })
    if (done) places.thingId.value = things.at(-1)!.id
    return done
  }
  const set = (thingId: string, change: ChangeOf<ThingOf>): boolean =>
    draft.make(edits.setThing, { partId: partId(), thingId, change })
  const move = (thingId: string, by: 1 | -1) =>
    draft.make(edits.moveThing, { partId: partId(), thingId, by })
  function copy(thingId: string): void {
    const { things, questions } = idsOfThing(part(), thingId)
    const newIds = Object.fromEntries([...things, ...questions].map((id) => [id, nanoid()]))
    if (draft.make(edits.copyThing, { partId: partId(), thingId, newIds }))
      places.thingId.value = newIds[thingId]!
  }
  /** What takes its place is shown next, else the part. */
  function remove(thingId: string, order: readonly string[]): void {
    const at = order.indexOf(thingId)
    if (!draft.make(edits.removeThing, { partId: partId(), thingId })) return
    const left = [order[at + 1], order[at - 1]].find(
      (id) => id && Object.values(mapsOfPart(part())).some((map) => Object.hasOwn(map, id)),
    )
    places.thingId.value = left ?? null
  }
  return { add, set, move, copy, remove }
}
