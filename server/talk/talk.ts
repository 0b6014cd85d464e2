// The talk of a class, or of those who come by a link: reading it, saying something, hiding what was said, switching it on and off.
import {
  ROLES_FROM,
  POSTS_AT_ONCE,
  type BodyOf,
  type contract,
  type Person,
  type Source,
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
  readAssignment,
  readAssignmentOf,
  readMeant,
  storeTalk,
} from '../learning/queries/assignments.ts'
import { attemptFacts } from '../learning/queries/attemptFacts.ts'
import { newestDocument } from '../lessons/queries/editions.ts'
import { isTalkedAbout, talkByLink, talkOfClass, type TalkAbout } from '../lessons/queries/talks.ts'
import {
  countActivity,
  countPosts,
  lockTalk,
  meetPosts,
  moderates,
  readPost,
  readPosts,
  readSpeakers,
  readWaitingEnquiries,
  storeHiding,
  storeSaying,
  toPost,
  type MetPost,
} from './queries/talk.ts'
import type { Context } from '../context.ts'
import { talkOf, type Speaker } from '../learning/sayings.ts'

/** Where somebody talks, and as what. */
interface Place extends Onlooker {
  talk: TalkAbout
}

/** A talk as its teachers name it: about an assignment, or about a lesson among those who come by its link. */
export interface TalkNamed {
  source: Source
  sourceId: string
}

const NOTHING: TalkReply = { isOn: false, mayHide: false, posts: [], upTo: 0, isMore: false }

/** What a learner's class says, or whoever came by the link; nothing where there is no talk, or none for them. */
export async function readTalk(
  { database }: Context,
  attemptId: string,
  after: number,
): Promise<TalkReply> {
  const facts = await attemptFacts(attemptId)
  const ask = within(database)
  const talk = facts && (await talkOf(ask, facts, await readAssignmentOf(database, facts)))
  if (!talk) return NOTHING
  const { personId } = facts
  const moderator =
    talk.assignmentId !== null && (await moderates(ask, talk.assignmentId, personId))
  const place = { talk, personId, teaches: false, moderates: moderator }
  return { isOn: true, mayHide: moderator, ...(await newsOf(ask, place, after)) }
}

/** What is said, for the teachers; it stays there when the talk is switched off. */
export async function readTaughtTalk(
  { database }: Context,
  person: Person,
  named: TalkNamed,
  after: number,
): Promise<TalkReply> {
  const { talk, isOn } = await talkNamed(within(database), named)
  const news = await newsOf(within(database), teacherAt(talk, person), after)
  return { isOn, mayHide: true, ...news }
}

const teacherAt = (talk: TalkAbout, { id }: Person): Place => ({
  talk,
  personId: id,
  teaches: true,
  moderates: true,
})

/** What is known of a talk without looking into the lesson: pages that are looked at ask every few seconds. */
interface TalkFacts {
  talk: TalkAbout
  isOn: boolean
  lessonId: string
}

async function talkNamed(ask: Ask, { source, sourceId }: TalkNamed): Promise<TalkFacts> {
  if (source === 'lesson') {
    const isOn = await isTalkedAbout(ask, sourceId)
    return { talk: talkByLink(sourceId), isOn, lessonId: sourceId }
  }
  const assignment = await readAssignment(ask, sourceId)
  if (!assignment) throw new HttpError('not-found')
  const { lessonId, rules } = assignment
  return { talk: talkOfClass(sourceId), isOn: rules.talk === true, lessonId }
}

async function newsOf(
  ask: Ask,
  place: Place,
  after: number,
): Promise<Pick<TalkReply, 'posts' | 'upTo' | 'isMore'>> {
  const most = POSTS_AT_ONCE
  const rows = await readPosts(ask, place.talk.id, place, { after, most })
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
  const { talk, personId } = by
  const ids = sayings.flatMap(({ postId, replyTo }) => [
    postId,
    ...(replyTo === null ? [] : [replyTo]),
  ])
  const met: PostsNamed = await meetPosts(ask, talk.id, ids)
  let room = MOST_POSTS - (await countPosts(ask, talk.id, personId))
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
    await storeSaying(ask, { talkId: talk.id, personId, teaches: by.teaches }, stored)
    met.set(saying.postId, { ...stored, personId })
  }
  return told
}

/** A clock that runs ahead must not outrank every later word from another device. */
const notAfter = (at: string, nowMs: number): string =>
  new Date(Math.min(Date.parse(at), nowMs)).toISOString()

/**
 * Takes in what a learner said, in its order; tells of each whether it was refused. Where there is no talk any more, all of
 * it is.
 */
export async function acceptSayings(
  ask: Ask,
  { talk, personId, lesson }: Speaker,
  sayings: readonly (Saying & { id: string })[],
  nowMs: number,
): Promise<Outcomes> {
  if (sayings.length === 0) return []
  if (talk === null) return sayings.map(({ id }) => [id, 'talkOff'])
  await lockTalk(ask, talk)
  const by = { talk, personId, teaches: false, moderates: false }
  const told = await takeAll(ask, by, lesson, sayings, nowMs)
  return sayings.map(({ id }, index) => [id, told[index]!])
}

const DETAILS: Partial<Record<Refusal, 'not-found' | 'not-allowed'>> = {
  unknownPost: 'not-found',
  unknownPart: 'not-found',
  notForYou: 'not-allowed',
}

/** A teacher says something, changes it or takes it back; whether the talk is on or not. */
export async function sayToAll(
  { database }: Context,
  person: Person,
  named: TalkNamed,
  saying: Saying,
): Promise<Post> {
  return database.transaction(async (transaction) => {
    const ask = within(database, transaction)
    const { talk, lessonId } = await talkNamed(ask, named)
    const lesson = await newestDocument(lessonId)
    const by = teacherAt(talk, person)
    await lockTalk(ask, talk)
    const [refusal] = await takeAll(ask, by, lesson, [saying], Date.now())
    if (refusal) throw new HttpError(DETAILS[refusal] ?? 'invalid-input', { reason: refusal })
    return toPost((await readPost(ask, talk.id, saying.postId))!, by)
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
    const { talk } = by
    await lockTalk(ask, talk)
    const post = await readPost(ask, talk.id, postId)
    const head = post?.replyTo ? await readPost(ask, talk.id, post.replyTo) : post
    if (!post || !head || !maySee(head, by)) throw new HttpError('not-found')
    if (!mayHide(toPost(post, by), by))
      throw new HttpError('not-allowed', { reason: 'teachersOwn' })
    await storeHiding(ask, { talkId: talk.id, postId }, isHidden, by.personId)
    return toPost((await readPost(ask, talk.id, postId))!, by)
  })
}

/** A learner who moderates the talk of their class hides what somebody said, or shows it again. */
export async function hidePost(
  context: Context,
  { attemptId, postId }: { attemptId: string; postId: string },
  isHidden: boolean,
): Promise<Post> {
  const facts = await attemptFacts(attemptId)
  if (!facts?.assignmentId) throw new HttpError('not-found')
  const talk = talkOfClass(facts.assignmentId)
  const by = { talk, personId: facts.personId, teaches: false, moderates: true }
  return hide(context, by, postId, isHidden)
}

export async function hideAsTeacher(
  context: Context,
  person: Person,
  { postId, ...named }: TalkNamed & { postId: string },
  isHidden: boolean,
): Promise<Post> {
  const { talk } = await talkNamed(within(context.database), named)
  return hide(context, teacherAt(talk, person), postId, isHidden)
}

/** Lets a class talk, or ends it; what was said stays. */
export async function switchTalk(
  { database }: Context,
  where: { classId: string; assignmentId: string },
  { isOn }: BodyOf<(typeof contract)['switchTalk']>,
): Promise<{ isOn: boolean }> {
  if (!(await storeTalk(within(database), where, isOn))) throw new HttpError('not-found')
  return { isOn }
}

/**
 * Who has posted what. Of a class: all whom the assignment is for, and those who have begun it and left; of those who came
 * by the link: whoever said something.
 */
export async function readTalkReport(
  { database }: Context,
  person: Person,
  { source, sourceId }: TalkNamed,
): Promise<TalkReport> {
  const ask = within(database)
  const { talk, isOn, lessonId } = await talkNamed(ask, { source, sourceId })
  const { assignmentId } = talk
  const [lesson, people, activity] = await Promise.all([
    newestDocument(lessonId),
    assignmentId === null ? spokenIn(ask, talk.id) : readMeant(ask, assignmentId),
    countActivity(ask, talk.id),
  ])
  return {
    title: lesson.title,
    lessonId,
    isOn,
    maySwitch: source === 'assignment' || (await hasLessonRole(person, lessonId, ROLES_FROM.owner)),
    mayOpenBench: await hasLessonRole(person, lessonId, ROLES_FROM.viewer),
    parts: partsInOrder(lesson).map(({ id, title }, index) => ({
      id,
      number: index + 1,
      title,
      durationMs: filmLengthMs(lesson, id) ?? null,
    })),
    people: people.map((one) => ({ ...one, ...(activity.get(one.personId) ?? NO_ACTIVITY) })),
  }
}

const spokenIn = async (ask: Ask, talkId: string) =>
  (await readSpeakers(ask, talkId)).map((one) => ({ ...one, hasLeft: false }))

/**
 * What learners asked in the classes that somebody teaches, and about lessons that they own or edit, and no teacher has
 * replied to; the oldest first.
 */
export async function listEnquiries(
  { database }: Context,
  person: Person,
): Promise<{ enquiries: WaitingEnquiries[] }> {
  const rows = await readWaitingEnquiries(within(database), person.id)
  const enquiries = rows.map(async ({ lessonId, assignmentId, ...one }) => ({
    ...one,
    ...(assignmentId === null
      ? { source: 'lesson' as const, sourceId: lessonId }
      : { source: 'assignment' as const, sourceId: assignmentId }),
    title: (await newestDocument(lessonId)).title,
  }))
  return { enquiries: await Promise.all(enquiries) }
}

/** All that was said, for a report: from the beginning, however much it is. */
export async function readAllPosts(
  context: Context,
  person: Person,
  named: TalkNamed,
): Promise<Post[]> {
  const posts: Post[] = []
  for (let after = 0; ;) {
    const news = await readTaughtTalk(context, person, named, after)
    posts.push(...news.posts)
    if (!news.isMore) return posts
    after = news.upTo
  }
}
