// What every kind of part can do for those who write its parts, by kind. A new kind is a line here.
import type { Issue } from '../../fields/index.ts'
import { findWhatCannotBeAsked, pointsAtFrame } from '../../questions/index.ts'
import type { Lesson } from '../schema.ts'
import type { PartBase } from './base.ts'
import { chronicleMaking } from './chronicle/kind.ts'
import { deckMaking } from './deck/kind.ts'
import { filmMaking } from './film/kind.ts'
import type { Lead, NamedPart, PartMaking, Thing, UnreadyCode } from './kind.ts'
import { asksIn } from './kinds.ts'
import { pageMaking } from './page/kind.ts'
import { quizMaking } from './quiz/kind.ts'
import type { Part, PartKindName, PartOf } from './schema.ts'
import { stillMaking } from './still/kind.ts'

type Makings = { [K in PartKindName]: PartMaking<PartOf<K>> }

const MAKINGS: Makings = {
  film: filmMaking,
  page: pageMaking,
  still: stillMaking,
  deck: deckMaking,
  chronicle: chronicleMaking,
  quiz: quizMaking,
}

const makingOf = ({ kind }: Pick<Part, 'kind'>) => MAKINGS[kind] as unknown as PartMaking<Part>

/** A new part of this kind with nothing in it yet; `newThing` is the first thing of a part that begins with one. */
export const blankPart = (kind: PartKindName, base: PartBase, newThing: () => Thing): Part =>
  makingOf({ kind }).blank(base, newThing)

/** The maps of things of a part, by their names in it. */
export const mapsOfPart = (part: Part): Record<string, Record<string, Thing>> =>
  makingOf(part).maps(part)

/** The ids of all things of a part. */
export const thingIdsOf = (part: Part): string[] =>
  Object.values(mapsOfPart(part)).flatMap(Object.keys)

/** The films of this lesson that a part plays stretches of, besides those in its texts. */
export const stretchesOfPart = (part: Part): NamedPart[] => makingOf(part).stretches?.(part) ?? []

/** What in a part leads to other parts by itself, in order; to null where it leads nowhere yet. */
export const leadsOf = (part: Part): Lead[] => makingOf(part).leads?.(part) ?? []

/** A picture that can stand for a lesson without a film: the first that a part shows; null for none. */
export function pictureOf(parts: readonly Part[]): string | null {
  for (const part of parts) {
    const picture = makingOf(part).picture?.(part) ?? null
    if (picture !== null) return picture
  }
  return null
}

/** What names another thing of its own part that is not there, each by its path in the part. */
export const findStray = (part: Part): string[][] => makingOf(part).findStray?.(part) ?? []

/** The things that stand in a thing of a part. */
export const thingsInside = (part: Part, thingId: string): string[] =>
  makingOf(part).inside?.(part, thingId) ?? []

/** Takes out of a part what its things say of one that is gone. */
export const forgetThing = (part: Part, goneId: string): void =>
  makingOf(part).forgetThing?.(part, goneId)

/** Takes out of a part what it says about another that is gone; what it is without it stays. */
export const forgetPartIn = (part: Part, goneId: string): void =>
  makingOf(part).forgetPart?.(part, goneId)

/** The reasons why a part cannot be published; empty when it can, and for films. */
export function findUnreadyPart(lesson: Lesson, part: Part): Issue[] {
  const found = [...makingOf(part).findUnready(part), ...findBadQuestions(lesson, part)]
  return found.map(({ path = [], ...issue }) => ({ ...issue, path: ['parts', part.id, ...path] }))
}

type Found = Pick<Issue, 'code' | 'message'> & { path: string[] }

function findBadQuestions(lesson: Lesson, part: Part): Found[] {
  const { asksFrom } = makingOf(part)
  if (asksFrom === undefined) return []
  return asksIn(part).flatMap(({ id, questionId }) => {
    const question = lesson.questions[questionId]!
    // Only a film holds a frame that could be pointed at.
    const frame = pointsAtFrame(question) ? [NO_PICTURE] : []
    return [...findWhatCannotBeAsked(question), ...frame].map(({ path, ...issue }) => ({
      ...issue,
      path: [asksFrom, id, ...path.map(String)],
    }))
  })
}

const NO_PICTURE: Issue & { code: UnreadyCode } = {
  path: ['mediaId'],
  code: 'quiz.noPicture',
  message: 'A question outside a film asks for a place on a picture and has none.',
}
