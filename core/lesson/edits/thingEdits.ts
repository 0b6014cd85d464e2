// Edits of pages, stills, decks and chronicles: what they say as a whole, and the things that they are made of.
import { cleanRich, inOrder } from '../../fields/index.ts'
import {
  blankBase,
  blankQuestion,
  forShelf,
  type Question,
  type QuestionKindName,
} from '../../questions/index.ts'
import {
  asksIn,
  forgetThing,
  partOfKind,
  thingsInside,
  type Category,
  type ChronicleItem,
  type ChroniclePart,
  type DeckPart,
  mapsOfPart,
  type PageBlock,
  type PagePart,
  type Part,
  type Pin,
  type PinOpens,
  type Slide,
  type StillPart,
  type Thing,
} from '../parts/index.ts'
import { forgetAskers } from '../references.ts'
import type { Edit } from '../runEdit.ts'
import type { Lesson } from '../schema.ts'
import { renameIds } from './copyPart.ts'
import { idsFrom } from './cueEdits.ts'
import { moveAmong, orderAfterAll, orderBefore, orderBetween } from './placing.ts'

export type PartOfThings = PagePart | StillPart | DeckPart | ChroniclePart
export type ThingOf = PageBlock | Pin | Slide | ChronicleItem | Category

type OwnFields<P> = Partial<Omit<P, 'id' | 'kind' | 'order' | 'title' | 'hidden' | ThingMap>>
export type ThingMap = 'blocks' | 'pins' | 'slides' | 'items' | 'categories'

/** Changes what a part says of itself as a whole. */
export const setPart: Edit<{
  partId: string
  change: OwnFields<StillPart> | OwnFields<DeckPart> | OwnFields<ChroniclePart>
}> = {
  name: 'setPart',
  change: (draft, { partId, change }) => {
    const part = draft.parts[partId]
    if (part) Object.assign(part, cleanRich(change))
  },
}

/** A question that comes with a thing: blank, or from the question shelf. */
export type NewQuestion =
  | { questionId: string; kind: QuestionKindName; ids: readonly string[] }
  | { questionId: string; shelfId: string; question: Question }

function addQuestion(draft: Lesson, asks: NewQuestion): void {
  const { questionId: id } = asks
  draft.questions[id] =
    'question' in asks
      ? { ...forShelf(asks.question), id, shelfId: asks.shelfId }
      : blankQuestion(asks.kind, blankBase(id), idsFrom(asks.ids))
}

const mapIn = (part: Part | undefined, name: string): Record<string, Thing> | null =>
  (part && mapsOfPart(part)[name]) ?? null

/** The map of a part in which a thing stands. */
const mapOf = (part: Part | undefined, thingId: string): Record<string, Thing> | null =>
  (part && Object.values(mapsOfPart(part)).find((map) => Object.hasOwn(map, thingId))) ?? null

function orderAfter(map: Record<string, Thing>, afterId: string | null | undefined): string {
  const all = inOrder(Object.values(map))
  const at = all.findIndex(({ id }) => id === afterId)
  if (at < 0) return orderAfterAll(all)
  return orderBetween(all[at]!.order, all[at + 1]?.order ?? null)
}

/** A thing without its place in the order. */
export type NewThing<T extends Thing = ThingOf> = T extends Thing ? Omit<T, 'order'> : never

/** Adds things after another one, or at the end; `asks` is the question that one of them asks. */
export const addThings: Edit<{
  partId: string
  map: ThingMap
  things: readonly NewThing[]
  afterId?: string | null
  asks?: NewQuestion
}> = {
  name: 'addThings',
  change: (draft, { partId, map: name, things, afterId, asks }) => {
    const map = mapIn(draft.parts[partId], name)
    if (!map) return
    if (asks) addQuestion(draft, asks)
    let before = afterId
    for (const thing of things) {
      map[thing.id] = { ...cleanRich(thing), order: orderAfter(map, before) }
      before = thing.id
    }
  },
}

/** Other values for some properties of a thing. */
export type ChangeOf<T extends Thing> = T extends Thing
  ? { [K in keyof Omit<T, 'id' | 'order' | 'kind'>]?: T[K] | undefined }
  : never

/** Changes properties of a thing; `undefined` takes one away. */
export const setThing: Edit<{ partId: string; thingId: string; change: ChangeOf<ThingOf> }> = {
  name: 'setThing',
  change: (draft, { partId, thingId, change }) => {
    const thing: object | undefined = mapOf(draft.parts[partId], thingId)?.[thingId]
    if (!thing) return
    // One property after the other, so that two people may change different ones at once.
    for (const [name, value] of Object.entries(change))
      if (value === undefined) Reflect.deleteProperty(thing, name)
      else Object.assign(thing, { [name]: cleanRich(value) })
  },
}

/** Gives a pin something else to open; a question that it asked before goes. */
export const setPinOpens: Edit<{
  partId: string
  pinId: string
  opens: PinOpens
  asks?: NewQuestion
}> = {
  name: 'setPinOpens',
  change: (draft, { partId, pinId, opens, asks }) => {
    const pin = partOfKind(draft, partId, 'still')?.pins[pinId]
    if (!pin) return
    if (pin.opens.what === 'question') {
      delete draft.questions[pin.opens.questionId]
      if (!asks) forgetAskers(draft, (id) => id === pinId)
    }
    if (asks) addQuestion(draft, asks)
    pin.opens = cleanRich(opens)
  },
}

/** Moves a thing before the one before it, or after the one after it; a block among those that stand beside it. */
export const moveThing: Edit<{ partId: string; thingId: string; by: 1 | -1 }> = {
  name: 'moveThing',
  change: (draft, { partId, thingId, by }) => {
    const map = mapOf(draft.parts[partId], thingId)
    if (map) moveAmong(besideIn(map, thingId), thingId, by)
  },
}

const placeOf = (thing: Thing) => JSON.stringify('inside' in thing ? thing.inside : null)

/** The things that stand in the same place as this one: on the page itself, or on one side of the same columns. */
function besideIn(map: Record<string, Thing>, thingId: string): Thing[] {
  const here = placeOf(map[thingId]!)
  return Object.values(map).filter((thing) => placeOf(thing) === here)
}

/** Puts a thing before another one, or at the end; a block also into columns, or (null) out of them. */
export const placeThing: Edit<{
  partId: string
  thingId: string
  beforeId: string | null
  inside?: PageBlock['inside'] | null
}> = {
  name: 'placeThing',
  change: (draft, { partId, thingId, beforeId, inside }) => {
    const map = mapOf(draft.parts[partId], thingId)
    if (!map || thingId === beforeId) return
    map[thingId]!.order = orderBefore(Object.values(map), thingId, beforeId)
    if (inside === null) Reflect.deleteProperty(map[thingId]!, 'inside')
    else if (inside) Object.assign(map[thingId]!, { inside })
  },
}

/** A thing with what stands in it, and the questions that they ask: what a copy of it needs new ids for. */
export function idsOfThing(part: Part, thingId: string): { things: string[]; questions: string[] } {
  const things = [thingId, ...thingsInside(part, thingId)]
  const questions = asksIn(part)
    .filter(({ id }) => things.includes(id))
    .map(({ questionId }) => questionId)
  return { things, questions }
}

/** A copy of a thing right after it. `newIds` gives a new id for each of `idsOfThing`. */
export const copyThing: Edit<{
  partId: string
  thingId: string
  newIds: Readonly<Record<string, string>>
}> = {
  name: 'copyThing',
  change: (draft, { partId, thingId, newIds }) => {
    const part = draft.parts[partId]
    const map = mapOf(part, thingId)
    if (!part || !map) return
    const { things, questions } = idsOfThing(part, thingId)
    for (const id of questions)
      draft.questions[newIds[id]!] = renameIds(draft.questions[id]!, newIds)
    let before = things.at(-1)!
    for (const id of things) {
      const copy = renameIds(map[id]!, newIds)
      map[copy.id] = { ...copy, order: orderAfter(map, before) }
      before = copy.id
    }
  },
}

/** Removes a thing with what stands in it and what it asks; what named it stays without it. */
export const removeThing: Edit<{ partId: string; thingId: string }> = {
  name: 'removeThing',
  change: (draft, { partId, thingId }) => {
    const part = draft.parts[partId]
    const map = mapOf(part, thingId)
    if (!part || !map) return
    const { things, questions } = idsOfThing(part, thingId)
    for (const id of questions) delete draft.questions[id]
    for (const id of things) delete map[id]
    forgetAskers(draft, (id) => things.includes(id))
    forgetThing(part, thingId)
  },
}
