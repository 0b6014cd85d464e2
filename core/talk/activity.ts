// Who has posted what.
import type { Post } from './posts.ts'

export interface TalkActivity {
  comments: number
  /** Asked of the teachers. */
  enquiries: number
  /** Replies to what others or they themselves said, but for answers to prompts. */
  replies: number
  /** Prompts that were answered, each once. */
  answers: number
  /** When they last said something that still stands, as ISO 8601; null where nothing does. */
  lastAt: string | null
}

export const NO_ACTIVITY: TalkActivity = {
  comments: 0,
  enquiries: 0,
  replies: 0,
  answers: 0,
  lastAt: null,
}

/** What each person has posted, by their id; what was taken back does not count, what was hidden does. */
export function activityOf(posts: readonly Post[]): Map<string, TalkActivity> {
  const prompts = new Set(posts.filter(({ sort }) => sort === 'prompt').map(({ id }) => id))
  const found = new Map<string, TalkActivity & { prompts: Set<string> }>()
  for (const { author, isGone, sort, replyTo, saidAt } of posts) {
    if (!author || isGone) continue
    const own = found.get(author.id) ?? { ...NO_ACTIVITY, prompts: new Set() }
    found.set(author.id, own)
    if (sort === 'comment') own.comments += 1
    if (sort === 'enquiry') own.enquiries += 1
    if (sort === 'reply' && prompts.has(replyTo!)) own.prompts.add(replyTo!)
    else if (sort === 'reply') own.replies += 1
    if (own.lastAt === null || saidAt > own.lastAt) own.lastAt = saidAt
  }
  return new Map(
    [...found].map(([id, { prompts: answered, ...own }]) => [
      id,
      { ...own, answers: answered.size },
    ]),
  )
}

/** All that somebody has posted, in one number. */
export const postsIn = ({ comments, enquiries, replies, answers }: TalkActivity): number =>
  comments + enquiries + replies + answers
