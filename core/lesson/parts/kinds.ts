// What every kind of part can do where it is met, by kind. A new kind is a line here, and in makings.ts.
import type { RichText } from '../../fields/index.ts'
import { chronicle } from './chronicle/kind.ts'
import { deck } from './deck/kind.ts'
import { film } from './film/kind.ts'
import type { Asks, PartKind } from './kind.ts'
import { page } from './page/kind.ts'
import { quiz } from './quiz/kind.ts'
import type { Part, PartKindName, PartOf } from './schema.ts'
import { still } from './still/kind.ts'

type Kinds = { [K in PartKindName]: PartKind<PartOf<K>> }

const KINDS: Kinds = { film, page, still, deck, chronicle, quiz }

/** The kinds in the order in which they are offered. */
export const PART_KINDS = Object.keys(KINDS) as PartKindName[]

/** What this part's kind can do; each kind only ever meets parts of its own. */
const kindOf = (part: Pick<Part, 'kind'>) => KINDS[part.kind] as unknown as PartKind<Part>

/** Whether a part plays, so that cues and scripts stand along it. */
export const isPlayed = (part: Pick<Part, 'kind'>): boolean => kindOf(part).plays !== undefined

/** How long a part plays, in ms; null where that is not known, or it does not play. */
export const playingMs = (part: Part): number | null => kindOf(part).plays?.(part) ?? null

/** What a learner can be said to have seen of a part, one by one; empty where it is seen as a whole. */
export const thingsToSee = (part: Part): string[] => kindOf(part).thingsToSee?.(part) ?? []

/** What of a part must be seen, one by one, before it counts as finished. */
export const thingsToBeSeen = (part: Part): string[] =>
  kindOf(part).mustBeSeen ? thingsToSee(part) : []

/** Where a part asks questions by itself, in reading order; a film asks by its cues. */
export const asksIn = (part: Part): Asks[] => kindOf(part).asks?.(part) ?? []

/** Whether a part tells what came of its answers only when it has been handed in. */
export const tellsAtEnd = (part: Part): boolean => kindOf(part).tellsAtEnd?.(part) ?? false

/** Whether it is handed in as a whole: nothing can be answered any more, and what is open it lists by itself before. */
export const handsIn = (part: Part): boolean => kindOf(part).handedIn ?? false

/** The texts of a part that learners read. */
export const textsOfPart = (part: Part): RichText[] => kindOf(part).texts(part)

/** The media that a part shows or offers besides those of its texts and the film of a film part. */
export const mediaOfPart = (part: Part): string[] =>
  kindOf(part)
    .media(part)
    .filter((id) => typeof id === 'string')

/** The pages of documents that a part shows as pictures. */
export const pagesOfPart = (part: Part): { mediaId: string; page: number }[] =>
  kindOf(part).pages?.(part) ?? []

/** The things of a part that learners write their own notes at, as they are read. */
export const notedAt = (part: Part): string[] => kindOf(part).notedAt?.(part) ?? []
