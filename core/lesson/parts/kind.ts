// What a kind of part must be able to do. A new kind is a folder that does this, and a line in schema.ts, kinds.ts and
// makings.ts; README.md lists what else.
import type { Issue, RichText } from '../../fields/index.ts'
import type { PartBase } from './base.ts'

/** Anything that a part is made of: a block, a pin, a slide, a dated item, a place in a quiz. */
export interface Thing {
  id: string
  order: string
}

/** A place in a part that asks a question. */
export interface Asks {
  id: string
  questionId: string
}

/** Another part that a part names, and where in it. */
export interface NamedPart {
  path: string[]
  partId: string
}

/** A thing of a part that leads to another part by itself, and its words; null where it leads nowhere yet. */
export interface Lead {
  thingId: string
  words: string
  path: string[]
  partId: string | null
}

/** What a kind can do where its parts are met; the members with `?` need not be there. */
export interface PartKind<P extends PartBase> {
  /** The texts that learners read. */
  texts(part: P): RichText[]
  /** The media that it shows or offers, besides those of its texts and the film that plays in it. */
  media(part: P): (string | null | undefined)[]
  /** How long it plays, in ms; null where that is not known. Only of kinds that play, along which cues and scripts stand. */
  plays?(part: P): number | null
  /** What a learner can be said to have seen of it, one by one; without it, it is seen as a whole. */
  thingsToSee?(part: P): string[]
  /** Whether it counts as finished only when all of `thingsToSee` was seen. */
  mustBeSeen?: true
  /** Where it asks questions by itself, in reading order; a film asks by its cues. */
  asks?(part: P): Asks[]
  /** Whether what came of its answers is told only when it has been handed in. */
  tellsAtEnd?(part: P): boolean
  /** Whether nothing can be answered any more once it is finished, and it lists by itself what is open before. */
  handedIn?: true
  /** The pages of documents that it shows as pictures. */
  pages?(part: P): { mediaId: string; page: number }[]
  /** The things of it that learners write their own notes at, as they are read. */
  notedAt?(part: P): string[]
}

/** What can be wrong with a part besides its questions. */
export type UnreadyCode =
  | 'quiz.empty'
  | 'quiz.emptySection'
  | 'quiz.noPicture'
  | 'page.empty'
  | 'page.unfinished'
  | 'page.emptyColumns'
  | 'still.noPicture'
  | 'still.emptyPin'
  | 'deck.empty'
  | 'chronicle.empty'
  | 'chronicle.noTitle'
  | 'chronicle.endsTooSoon'

/** Something that keeps a part from being published; `path` from the part on. */
export type Unready = Pick<Issue, 'message'> & { code: UnreadyCode; path?: string[] }

/** What a kind can do for those who write its parts, look over a lesson, or check it: a learner's first script needs none of it. */
export interface PartMaking<P extends PartBase> {
  /** A new part of this kind with nothing in it yet, apart from what it cannot be without: `newThing` gives one of that. */
  blank(base: PartBase, newThing: () => Thing): P
  /** The maps of things of a part, by their names in it. */
  maps(part: P): Record<string, Record<string, Thing>>
  /** What keeps it from being published, besides its questions. */
  findUnready(part: P): Unready[]
  /** The map in which stands what asks its questions; only of kinds that ask by themselves. */
  asksFrom?: string
  /** Where it names another thing of its own that is not there. */
  findStray?(part: P): string[][]
  /** The films of this lesson that it plays stretches of, besides those in its texts. */
  stretches?(part: P): NamedPart[]
  /** What in it leads to other parts. */
  leads?(part: P): Lead[]
  /** The first picture that it shows: it can stand for a lesson without a film. */
  picture?(part: P): string | null
  /** The things that stand in one of its things, and go and are copied with it. */
  inside?(part: P, thingId: string): string[]
  /** Takes out what its things say of one that is gone. */
  forgetThing?(part: P, goneId: string): void
  /** Takes out what it says of another part that is gone; what it is without it stays. */
  forgetPart?(part: P, goneId: string): void
}
