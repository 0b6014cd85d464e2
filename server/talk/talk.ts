// The talk of a class: reading it, saying something, hiding what was said, switching it on and off.
import {
  ROLES_FROM,
  POSTS_AT_ONCE,
  type BodyOf,
  type contract,
  type Person,
  type TalkReply,
  type TalkReport,
  type WaitingEnquiries,
} from '@fernbrake/core/contract'
import { momentFault, type Outcomes, type Refusal, type Saying } from '@fernbrake/core/records'
import { filmLengthMs, partsInOrder, type Lesson } from '@fernbrake/core/lesson'
import {
  fitsRange,
  maySay,
  maySee,
  mayHide,
  MOST_POSTS,
  NO_ACTIVITY,
  type Onlooker,
  type Post,
} from '@fernbrake/core/talk'
import { within, type Ask } from '../database/connect.ts'
import { hasLessonRole } from '../lessons/roles.ts'
import { HttpError } from '../http/HttpError.ts'
import {
  type AssignmentFacts,
  readAssignment,
  readAssignmentOf,
  readMeant,
  storeTalk,
} from '../learning/queries/assignments.ts'
import { attemptFacts } from '../learning/queries/attemptFacts.ts'
import { editionDocument } from '../lessons/queries/editions.ts'
import {
  countActivity,
  countPosts,
  lockTalk,
  meetPosts,
  moderates,
  readPost,
  readPosts,
  readWaitingEnquiries,
  storeHiding,
  storeSaying,
  toPost,
  type MetPost,
} from './queries/talk.ts'
import type { Context } from '../context.ts'
import { talksNow, type Speaker } from '../learning/sayings.ts'

/** Where somebody talks, and as what. */
interface Place extends Onlooker {
  assignmentId: string
}

const NOTHING: TalkReply = { isOn: false, mayHide: false, posts: [], upTo: 0, isMore: false }

/** What a learner's class says; nothing where there is no talk, or none for them. */
export async function readTalk(
  { database }: Context,
  attemptId: string,
  after: number,
): Promise<TalkReply> {
  const facts = await attemptFacts(attemptId)
  const assignment = facts && (await readAssignmentOf(database, facts))
  if (!assignment || !(await talksNow(assignment, facts.personId))) return NOTHING
  const ask = within(database)
  const { personId } = facts
  const moderator = await moderates(ask, assignment.id, personId)
  const place = { assignmentId: assignment.id, personId, teaches: false, moderates: moderator }
  return { isOn: true, mayHide: moderator, ...(await newsOf(ask, place, after)) }
}

/** What a class says, for its teachers; it stays there when the talk is switched off. */
export async function readClassTalk(
  { database }: Context,
  person: Person,
  { classId, assignmentId }: InClass,
  after: number,
): Promise<TalkReply> {
  const { rules } = await assignmentIn(within(database), classId, assignmentId)
  const news = await newsOf(within(database), teacherAt(assignmentId, person), after)
  return { isOn: rules.talk === true, mayHide: true, ...news }
}

interface InClass {
  classId: string
  assignmentId: string
}
const teacherAt = (assignmentId: string, { id }: Person): Place => ({
  assignmentId,
  personId: id,
  teaches: true,
  moderates: true,
})

async function assignmentIn(
  ask: Ask,
  classId: string,
  assignmentId: string,
): Promise<AssignmentFacts> {
  const assignment = await readAssignment(ask, assignmentId)
  if (assignment?.classId !== classId) throw new HttpError('not-found')
  return assignment
}

async function newsOf(
  ask: Ask,
  place: Place,
  after: number,
): Promise<Pick<TalkReply, 'posts' | 'upTo' | 'isMore'>> {
  const most = POSTS_AT_ONCE
  const rows = await readPosts(ask, place.assignmentId, place, { after, most })
  return {
    posts: rows.map((row) => toPost(row, place)),
    upTo: Number(rows.at(-1)?.change ?? after),
    isMore: rows.length === most,
  }
}

/** The posts that sayings are about or reply to, by id. */
type PostsNamed = Map<string, MetPost>

/** What keeps somebody from saying this, whatever else they have said; null where nothing does. */
function sayingFault(by: Place, lesson: Lesson, saying: Saying, met: PostsNamed): Refusal | null {
  const known = met.get(saying.postId)
  if (known ? !isSameOf(by, known, saying) : !maySay(saying.sort, by.teaches)) return 'notForYou'
  const head = saying.replyTo === null ? undefined : met.get(saying.replyTo)
  if (saying.replyTo !== null && !mayBeRepliedTo(head, by, known !== undefined))
    return 'unknownPost'
  if (!fitsRange(saying.number, head?.range ?? null)) return 'wrongNumber'
  return head || known ? null : momentFault(lesson, saying)
}

/** Whether it is another word on one's own post, which stays what it was. */
const isSameOf = ({ personId }: Place, known: MetPost, { sort, replyTo }: Saying): boolean =>
  known.personId === personId && known.sort === sort && known.replyTo === replyTo

/** One’s own word on what is gone can still be changed. */
const mayBeRepliedTo = (head: MetPost | undefined, by: Place, isKnown: boolean): boolean =>
  head !== undefined && head.replyTo === null && maySee(head, by) && (isKnown || !head.isGone)

/** Takes sayings in, in their order; tells of each why not, or null. The talk is locked by now. */
async function takeAll(
  ask: Ask,
  by: Place,
  lesson: Lesson,
  sayings: readonly Saying[],
  nowMs: number,
): Promise<(Refusal | null)[]> {
  const { assignmentId, personId } = by
  const ids = sayings.flatMap(({ postId, replyTo }) => [
    postId,
    ...(replyTo === null ? [] : [replyTo]),
  ])
  const met: PostsNamed = await meetPosts(ask, assignmentId, ids)
  let room = MOST_POSTS - (await countPosts(ask, assignmentId, personId))
  const told: (Refusal | null)[] = []
  for (const saying of sayings) {
    const known = met.get(saying.postId)
    const fault = sayingFault(by, lesson, saying, met)
    const refusal = fault ?? (!known && room <= 0 ? 'tooManyPosts' : null)
    told.push(refusal)
    if (refusal) continue
    if (!known) room -= 1
    // A reply stands where what it answers stands.
    const { partId, place } = met.get(saying.replyTo ?? '') ?? known ?? saying
    const stored = { ...saying, partId, place, at: notAfter(saying.at, nowMs) }
    await storeSaying(ask, by, stored)
    met.set(saying.postId, { ...stored, personId })
  }
  return told
}

/** A clock that runs ahead must not outrank every later word from another device. */
const notAfter = (at: string, nowMs: number): string =>
  new Date(Math.min(Date.parse(at), nowMs)).toISOString()

/**
 * Takes in what a learner said, in its order; tells of each whether it was refused. Where the learner's class does not talk
 * any more, all of it is.
 */
export async function acceptSayings(
  ask: Ask,
  { assignmentId, personId, lesson }: Speaker,
  sayings: readonly (Saying & { id: string })[],
  nowMs: number,
): Promise<Outcomes> {
  if (sayings.length === 0) return []
  if (assignmentId === null) return sayings.map(({ id }) => [id, 'talkOff'])
  await lockTalk(ask, assignmentId)
  const by = { assignmentId, personId, teaches: false, moderates: false }
  const told = await takeAll(ask, by, lesson, sayings, nowMs)
  return sayings.map(({ id }, index) => [id, told[index]!])
}

const DETAILS: Partial<Record<Refusal, 'not-found' | 'not-allowed'>> = {
  unknownPost: 'not-found',
  unknownPart: 'not-found',
  notForYou: 'not-allowed',
}

/** A teacher says something, changes it or takes it back; whether the talk is on or not. */
export async function sayToClass(
  { database }: Context,
  person: Person,
  { classId, assignmentId }: InClass,
  saying: Saying,
): Promise<Post> {
  return database.transaction(async (transaction) => {
    const ask = within(database, transaction)
    const { lessonId, newest } = await assignmentIn(ask, classId, assignmentId)
    const lesson = await editionDocument({ lessonId, edition: newest })
    const by = teacherAt(assignmentId, person)
    await lockTalk(ask, assignmentId)
    const [refusal] = await takeAll(ask, by, lesson, [saying], Date.now())
    if (refusal) throw new HttpError(DETAILS[refusal] ?? 'invalid-input', { reason: refusal })
    return toPost((await readPost(ask, assignmentId, saying.postId))!, by)
  })
}

async function hide(
  { database }: Context,
  by: Place,
  postId: string,
  isHidden: boolean,
): Promise<Post> {
  return database.transaction(async (transaction) => {
    const ask = within(database, transaction)
    const { assignmentId } = by
    await lockTalk(ask, assignmentId)
    const post = await readPost(ask, assignmentId, postId)
    const head = post?.replyTo ? await readPost(ask, assignmentId, post.replyTo) : post
    if (!post || !head || !maySee(head, by)) throw new HttpError('not-found')
    if (!mayHide(toPost(post, by), by))
      throw new HttpError('not-allowed', { reason: 'teachersOwn' })
    await storeHiding(ask, { assignmentId, postId }, isHidden, by.personId)
    return toPost((await readPost(ask, assignmentId, postId))!, by)
  })
}

/** A learner who moderates hides what somebody said, or shows it again. */
export async function hidePost(
  context: Context,
  { attemptId, postId }: { attemptId: string; postId: string },
  isHidden: boolean,
): Promise<Post> {
  const facts = await attemptFacts(attemptId)
  if (!facts?.assignmentId) throw new HttpError('not-found')
  const { assignmentId, personId } = facts
  return hide(
    context,
    { assignmentId, personId, teaches: false, moderates: true },
    postId,
    isHidden,
  )
}

export async function hideInClass(
  context: Context,
  person: Person,
  { classId, assignmentId, postId }: InClass & { postId: string },
  isHidden: boolean,
): Promise<Post> {
  await assignmentIn(within(context.database), classId, assignmentId)
  return hide(context, teacherAt(assignmentId, person), postId, isHidden)
}

/** Lets a class talk, or ends it; what was said stays. */
export async function switchTalk(
  { database }: Context,
  where: InClass,
  { isOn }: BodyOf<(typeof contract)['switchTalk']>,
): Promise<{ isOn: boolean }> {
  if (!(await storeTalk(within(database), where, isOn))) throw new HttpError('not-found')
  return { isOn }
}

/** Who has posted what: all whom the assignment is for, and those who have begun it and left. */
export async function readTalkReport(
  { database }: Context,
  person: Person,
  { classId, assignmentId }: InClass,
): Promise<TalkReport> {
  const ask = within(database)
  const { lessonId, newest, rules } = await assignmentIn(ask, classId, assignmentId)
  const [lesson, meant, activity] = await Promise.all([
    editionDocument({ lessonId, edition: newest }),
    readMeant(ask, assignmentId),
    countActivity(ask, assignmentId),
  ])
  return {
    title: lesson.title,
    lessonId,
    isOn: rules.talk === true,
    mayOpenBench: await hasLessonRole(person, lessonId, ROLES_FROM.viewer),
    parts: partsInOrder(lesson).map(({ id, title }, index) => ({
      id,
      number: index + 1,
      title,
      durationMs: filmLengthMs(lesson, id) ?? null,
    })),
    people: meant.map((one) => ({ ...one, ...(activity.get(one.personId) ?? NO_ACTIVITY) })),
  }
}

/** What learners asked in the classes that somebody teaches, and no teacher has replied to; the oldest first. */
export async function listEnquiries(
  { database }: Context,
  person: Person,
): Promise<{ enquiries: WaitingEnquiries[] }> {
  const rows = await readWaitingEnquiries(within(database), person.id)
  const enquiries = rows.map(async ({ lessonId, newest, ...one }) => ({
    ...one,
    title: (await editionDocument({ lessonId, edition: newest })).title,
  }))
  return { enquiries: await Promise.all(enquiries) }
}

/** All that a class said, for a report: from the beginning, however much it is. */
export async function readAllPosts(
  context: Context,
  person: Person,
  where: InClass,
): Promise<Post[]> {
  const posts: Post[] = []
  for (let after = 0; ;) {
    const news = await readClassTalk(context, person, where, after)
    posts.push(...news.posts)
    if (!news.isMore) return posts
    after = news.upTo
  }
}
