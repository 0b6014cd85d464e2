// What the parts are made of besides films: blocks, pins, slides, dated items, the questions of a quiz. All of them are
// maps of things with an id and a place in an order.
import { assertNever, inOrder, type RichText } from '../fields/index.ts'
import type { PageBlock, PagePart } from './pageSchema.ts'
import type { Part } from './partSchema.ts'

/** Anything that a part is made of. */
export interface Thing {
  id: string
  order: string
}

/** The maps of things of a part, by their names in it. */
export function mapsOfPart(part: Part): Record<string, Record<string, Thing>> {
  switch (part.kind) {
    case 'film':
      return {}
    case 'quiz':
      return { sections: part.sections, items: part.items }
    case 'page':
      return { blocks: part.blocks }
    case 'still':
      return { pins: part.pins }
    case 'deck':
      return { slides: part.slides }
    case 'chronicle':
      return { categories: part.categories, items: part.items }
    default:
      return assertNever(part)
  }
}

/** The ids of all things of a part. */
export const thingIdsOf = (part: Part): string[] =>
  Object.values(mapsOfPart(part)).flatMap(Object.keys)

/** What a learner can be said to have seen of a part, one by one; empty where it is seen as a whole. */
export function thingsToSee(part: Part): string[] {
  switch (part.kind) {
    case 'still':
      return inOrder(Object.values(part.pins)).map(({ id }) => id)
    case 'deck':
      return inOrder(Object.values(part.slides)).map(({ id }) => id)
    case 'chronicle':
      return Object.keys(part.items)
    case 'film':
    case 'quiz':
    case 'page':
      return []
  }
}

/** A place in a part that asks a question. */
export interface Asks {
  id: string
  questionId: string
}

/** Where a part asks questions by itself, in reading order; a film asks by its cues. */
export function asksIn(part: Part): Asks[] {
  switch (part.kind) {
    case 'quiz': {
      const sections = inOrder(Object.values(part.sections))
      const items = inOrder(Object.values(part.items))
      return sections.flatMap(({ id }) => items.filter(({ sectionId }) => sectionId === id))
    }
    case 'page':
      return blocksInOrder(part).flatMap((block) => (block.kind === 'question' ? [block] : []))
    case 'still':
      return inOrder(Object.values(part.pins)).flatMap(({ id, opens }) =>
        opens.what === 'question' ? [{ id, questionId: opens.questionId }] : [],
      )
    case 'film':
    case 'deck':
    case 'chronicle':
      return []
  }
}

export type ColumnsBlock = Extract<PageBlock, { kind: 'columns' }>
export type ColumnSide = 'first' | 'second'
export const COLUMN_SIDES: readonly ColumnSide[] = ['first', 'second']

/** The blocks that stand on the page itself, or on one side of columns, in order. */
export function blocksAt(
  page: PagePart,
  place?: { columnsId: string; side: ColumnSide },
): PageBlock[] {
  return inOrder(
    Object.values(page.blocks).filter(({ inside }) =>
      place
        ? inside?.columnsId === place.columnsId && inside.side === place.side
        : inside === undefined,
    ),
  )
}

/** All blocks as they are read: what stands in columns comes after them, the first side first. */
export function blocksInOrder(page: PagePart): PageBlock[] {
  return blocksAt(page).flatMap((block) =>
    block.kind === 'columns'
      ? [block, ...COLUMN_SIDES.flatMap((side) => blocksAt(page, { columnsId: block.id, side }))]
      : [block],
  )
}

/** The texts of a part that learners read. */
export function textsOfPart(part: Part): RichText[] {
  switch (part.kind) {
    case 'film':
      return []
    case 'quiz':
      return [
        part.instructions,
        ...Object.values(part.sections).map(({ instructions }) => instructions),
      ]
    case 'page':
      return Object.values(part.blocks).flatMap((block) => ('text' in block ? [block.text] : []))
    case 'still':
      return [
        part.text,
        ...Object.values(part.pins).flatMap(({ opens }) => ('text' in opens ? [opens.text] : [])),
      ]
    case 'deck':
      return Object.values(part.slides).map(({ notes }) => notes)
    case 'chronicle':
      return [part.text, ...Object.values(part.items).map(({ text }) => text)]
    default:
      return assertNever(part)
  }
}

/** The media that a part shows or offers besides those of its texts and the film of a film part. */
export function mediaOfPart(part: Part): string[] {
  const isNamed = (id: string | null | undefined): id is string => typeof id === 'string'
  switch (part.kind) {
    case 'film':
    case 'quiz':
      return []
    case 'page':
      return Object.values(part.blocks)
        .map((block) => ('mediaId' in block ? block.mediaId : null))
        .filter(isNamed)
    case 'still':
      return [part.mediaId].filter(isNamed)
    case 'deck':
      return [part.offers, ...Object.values(part.slides).map(({ mediaId }) => mediaId)].filter(
        isNamed,
      )
    case 'chronicle':
      return [
        part.background?.mediaId,
        ...Object.values(part.items).map(({ medium }) => medium?.mediaId),
      ].filter(isNamed)
    default:
      return assertNever(part)
  }
}

/** The films of this lesson that a part plays stretches of, besides those in its texts. */
export function stretchesOfPart(part: Part): { path: string[]; partId: string }[] {
  if (part.kind !== 'page') return []
  return Object.values(part.blocks).flatMap((block) =>
    block.kind === 'stretch' && block.stretch
      ? [{ path: ['blocks', block.id, 'stretch', 'partId'], partId: block.stretch.partId }]
      : [],
  )
}

/** The parts that a part leads to by itself. */
export function partsLedToBy(part: Part): { path: string[]; partId: string }[] {
  if (part.kind !== 'still') return []
  return Object.values(part.pins).flatMap(({ id, opens }) =>
    opens.what === 'part' && opens.partId !== null
      ? [{ path: ['pins', id, 'opens', 'partId'], partId: opens.partId }]
      : [],
  )
}

/** Takes out of a part what it says about another that is gone; what it is without it stays. */
export function forgetPartIn(part: Part, goneId: string): void {
  if (part.kind === 'page')
    for (const block of Object.values(part.blocks))
      if (block.kind === 'stretch' && block.stretch?.partId === goneId) block.stretch = null
  if (part.kind === 'still')
    for (const { opens } of Object.values(part.pins))
      if (opens.what === 'part' && opens.partId === goneId) opens.partId = null
}

/** A picture that can stand for a lesson without a film: the first that a part shows; null for none. */
export function pictureOf(parts: readonly Part[]): string | null {
  for (const part of parts) {
    if (part.kind === 'still' && part.mediaId !== null) return part.mediaId
    if (part.kind === 'deck') {
      const [first] = inOrder(Object.values(part.slides))
      if (first) return first.mediaId
    }
    if (part.kind === 'page')
      for (const block of blocksInOrder(part))
        if (block.kind === 'picture' && block.mediaId !== null) return block.mediaId
  }
  return null
}
