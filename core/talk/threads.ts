// Posts in the order in which they are read: what began it, and what was replied.
import { holdingWords } from '../text/index.ts'
import type { Post } from './posts.ts'

export interface Thread {
  head: Post
  /** In the order in which they were said. */
  replies: Post[]
}

/** The posts once these are known too; the latest word on each holds. */
export function withPosts(known: readonly Post[], news: readonly Post[]): Post[] {
  const byId = new Map(known.map((post) => [post.id, post]))
  // An answer that was long on its way may know less than what is known by now.
  for (const post of news)
    if (post.change >= (byId.get(post.id)?.change ?? 0)) byId.set(post.id, post)
  return [...byId.values()]
}

/** Whether something of a post is left to read. */
const isThere = ({ isGone, isHidden, words, number }: Post) =>
  !isGone && !(isHidden && words === '' && number === null)

const byTime = (a: Post, b: Post) =>
  a.saidAt < b.saidAt ? -1 : a.saidAt > b.saidAt ? 1 : a.id < b.id ? -1 : 1

const startMs = ({ place }: Post) => (place.on === 'moment' ? place.atMs : Infinity)

/**
 * The threads in the order of the lesson (`partIds`), within a part by the time of the film, what is about the whole part
 * last; then as they were said. What is gone stands only as long as something hangs on it. Parts that are not named are
 * left out.
 */
export function threadsOf(posts: readonly Post[], partIds: readonly string[]): Thread[] {
  const replies = new Map<string, Post[]>()
  for (const post of posts)
    if (post.replyTo !== null && isThere(post))
      replies.set(post.replyTo, [...(replies.get(post.replyTo) ?? []), post])
  const place = new Map(partIds.map((id, index) => [id, index]))
  return posts
    .filter(({ replyTo, partId }) => replyTo === null && place.has(partId))
    .map((head) => ({ head, replies: (replies.get(head.id) ?? []).sort(byTime) }))
    .filter(({ head, replies }) => isThere(head) || replies.length > 0)
    .sort(
      ({ head: a }, { head: b }) =>
        place.get(a.partId)! - place.get(b.partId)! ||
        compare(startMs(a), startMs(b)) ||
        byTime(a, b),
    )
}

/** Two that never end are equal, which their difference would not tell. */
const compare = (a: number, b: number) => (a === b ? 0 : a < b ? -1 : 1)

/** The threads in which somebody says all of these words, or is called by them. Without any words, all threads. */
export function searchThreads(threads: readonly Thread[], query: string): Thread[] {
  if (query.trim() === '') return [...threads]
  const holds = holdingWords(query)
  return threads.filter((thread) =>
    postsOf(thread).some(({ author, words }) => holds(`${author?.name ?? ''} ${words}`)),
  )
}

/** An enquiry waits as long as no teacher has replied to it. */
export const waitsForTeacher = ({ head, replies }: Thread): boolean =>
  head.sort === 'enquiry' && !head.isGone && !replies.some(({ author }) => author?.teaches)

/** The parts of a lesson in their order, and after them those that are talked about and that it has no longer. */
export const partsTalkedAbout = (partIds: readonly string[], posts: readonly Post[]): string[] => [
  ...new Set([...partIds, ...posts.map(({ partId }) => partId)]),
]

const postsOf = ({ head, replies }: Thread) => [head, ...replies]

/** Whether somebody has said anything in a thread. */
export const saysIn = (thread: Thread, personId: string): boolean =>
  postsOf(thread).some(({ author }) => author?.id === personId)

/** Whether anything of a thread is hidden. */
export const hidesSome = (thread: Thread): boolean =>
  postsOf(thread).some(({ isHidden }) => isHidden)

const lastSaidAt = (thread: Thread) =>
  postsOf(thread).reduce((last, { saidAt }) => (saidAt > last ? saidAt : last), '')

/** Those first in which something was said last. */
export const newestFirst = (threads: readonly Thread[]): Thread[] =>
  [...threads].sort((a, b) => (lastSaidAt(a) > lastSaidAt(b) ? -1 : 1))

/** So long a film is still at what was said about a moment of it, in ms. */
export const STILL_THERE_MS = 8000

/** Whether a thread is about what a film shows at this time. */
export const isAbout = ({ head: { place } }: Thread, mediaMs: number): boolean =>
  place.on === 'moment' && mediaMs >= place.atMs && mediaMs - place.atMs < STILL_THERE_MS
