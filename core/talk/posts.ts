// What somebody says in the talk of a class, and who may say and see what.
import type { NotePlace } from '../notes/index.ts'

/**
 * `comment`: seen by all; `prompt`: by a teacher, seen by all, who may answer it with a number; `enquiry`: from a learner
 * to the teachers alone; `reply`: to one of these.
 */
export const POST_SORTS = ['comment', 'prompt', 'enquiry', 'reply'] as const
export type PostSort = (typeof POST_SORTS)[number]

/** What a post is about: a moment of a film, or a part as a whole. */
export type PostPlace = Exclude<NotePlace, { on: 'words' }>

/** Between which whole numbers a prompt asks for one. */
export interface NumberRange {
  from: number
  to: number
}

export interface Post {
  id: string
  sort: PostSort
  /** What a reply answers; null for all else. */
  replyTo: string | null
  partId: string
  place: PostPlace
  /** '' where it is gone, or hidden from whoever looks. */
  words: string
  /** The number that a prompt was answered with. */
  number: number | null
  /** Which numbers a prompt asks for; null where it asks for none. */
  range: NumberRange | null
  /** Null where the account is gone. */
  author: { id: string; name: string; teaches: boolean } | null
  isMine: boolean
  /** When it was first said, as ISO 8601. */
  saidAt: string
  /** Whether it was written anew since. */
  isChanged: boolean
  /** Taken back by whoever said it. */
  isGone: boolean
  isHidden: boolean
  /** Grows with each change in the talk. */
  change: number
}

export const LONGEST_POST = 2000
/** So many posts one person may have in the talk about one assignment. */
export const MOST_POSTS = 500
/** Numbers of prompts lie between these. */
export const NUMBER_LIMIT = 1_000_000

const BY_LEARNERS: readonly PostSort[] = ['comment', 'enquiry', 'reply']
const BY_TEACHERS: readonly PostSort[] = ['comment', 'prompt', 'reply']

/** Teachers ask all, learners ask their teachers. */
export const maySay = (sort: PostSort, teaches: boolean): boolean =>
  (teaches ? BY_TEACHERS : BY_LEARNERS).includes(sort)

/** Whoever looks at the talk. */
export interface Onlooker {
  personId: string
  teaches: boolean
  /** Somebody of the class whom its teachers let hide what others say. */
  moderates: boolean
}

/** What decides who sees a post: what a reply answers decides for it. */
export interface Standing {
  sort: PostSort
  personId: string | null
}

/** What goes to the teachers alone is seen by them and by whoever asked; nobody else hears that it is there. */
export const maySee = (head: Standing, { personId, teaches }: Onlooker): boolean =>
  head.sort !== 'enquiry' || teaches || head.personId === personId

/** Whether the words of a hidden post are seen: by whoever said it, and by those who could have hidden it. */
export const seesHidden = (
  post: Pick<Standing, 'personId'>,
  { personId, teaches, moderates }: Onlooker,
): boolean => teaches || moderates || post.personId === personId

/** Those who moderate hide what others say, but not what teachers do. */
export const mayHide = (
  post: { author: Post['author'] },
  { teaches, moderates }: Pick<Onlooker, 'teaches' | 'moderates'>,
): boolean => teaches || (moderates && post.author?.teaches !== true)

/** A range is two whole numbers, the smaller first. */
export const isRange = ({ from, to }: NumberRange): boolean =>
  Number.isInteger(from) &&
  Number.isInteger(to) &&
  from < to &&
  Math.abs(from) <= NUMBER_LIMIT &&
  Math.abs(to) <= NUMBER_LIMIT

/** Whether a number answers a prompt, which asks for a whole one; a prompt that asks for none takes none. */
export const fitsRange = (number: number | null, range: NumberRange | null): boolean =>
  number === null ||
  (range !== null && Number.isInteger(number) && number >= range.from && number <= range.to)
