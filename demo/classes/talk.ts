// What two classes of the demo say to one another, and to their teacher, about lesson 1.
import type { Person } from '@fernbrake/core/contract'
import type { Saying } from '@fernbrake/core/records'
import { sayToAll, select, acceptRecords, type Context } from '@fernbrake/server'
import { ANATOMY_PART, BEFORE_PART } from '../lessons/aroundTheFilm.ts'
import { WATER_THAT_CLIMBS } from '../lessons/waterThatClimbs.ts'

const HOUR_MS = 60 * 60 * 1000

/** `who` is a learner's name; null for the teacher. */
interface Said {
  who: string | null
  words: string
  hoursAgo: number
  number?: number
}

interface Begun extends Said {
  sort: 'comment' | 'prompt' | 'enquiry'
  /** In the film, in ms; else about the part. */
  atMs?: number
  partId?: string
  range?: { from: number; to: number }
  replies?: readonly Said[]
}

export const SPRING_TALK: readonly Begun[] = [
  {
    who: null,
    sort: 'prompt',
    atMs: 152_600,
    hoursAgo: 260,
    range: { from: 1, to: 12 },
    words:
      'One filling takes 116 cubic metres. Before you look it up: how many boats an hour can a keeper pass on a busy Saturday?',
    replies: [
      {
        who: 'Edda Marrowby',
        words: 'Each has to wait for the gates twice.',
        hoursAgo: 250,
        number: 4,
      },
      { who: 'Hollis Brindlow', words: '', hoursAgo: 247, number: 6 },
      { who: 'Kezia Sandholm', words: 'With two keepers perhaps six.', hoursAgo: 240, number: 6 },
      { who: 'Maud Ferriby-Lunn', words: '', hoursAgo: 231, number: 3 },
      {
        who: 'Nils Tarnwick',
        words: 'We counted four at Nethering last year.',
        hoursAgo: 205,
        number: 4,
      },
      { who: 'Quenna Islewright', words: '', hoursAgo: 190, number: 10 },
      { who: 'Sunniva Ackerley', words: '', hoursAgo: 166, number: 5 },
      { who: 'Wilma Eddlestone', words: 'Nobody can wind that fast.', hoursAgo: 120, number: 2 },
      {
        who: null,
        hoursAgo: 96,
        words: 'Four is a good Saturday. Ask yourselves what it does to the summit pound.',
      },
    ],
  },
  {
    who: 'Corrie Thaxley',
    sort: 'comment',
    atMs: 16_400,
    hoursAgo: 244,
    words:
      'Twenty-six metres is higher than the mill at Nethering. I had no idea we climb that far.',
    replies: [{ who: 'Bram Oxwith', words: 'And the reservoir lies higher still.', hoursAgo: 221 }],
  },
  {
    who: 'Dov Penhallister',
    sort: 'comment',
    atMs: 69_000,
    hoursAgo: 236,
    words: 'Is the sill there at every lock, or only at the deep ones?',
    replies: [
      {
        who: 'Una Kestermann',
        words: 'At every one. It is what the upper gates shut against.',
        hoursAgo: 228,
      },
      { who: null, words: 'Una is right. Find it on the picture that comes next.', hoursAgo: 212 },
    ],
  },
  {
    who: 'Greta Ullswick',
    sort: 'enquiry',
    atMs: 86_200,
    hoursAgo: 140,
    words: 'I have a bad shoulder and cannot wind a paddle. Can I still become a keeper?',
    replies: [
      {
        who: null,
        hoursAgo: 118,
        words:
          'Yes. Two work every lock, and somebody has to watch the stern. Tell me on the first evening.',
      },
    ],
  },
  {
    who: 'Tobin Wharfside',
    sort: 'enquiry',
    atMs: 210_000,
    hoursAgo: 31,
    words: 'What if the stern is caught and I am alone at the lock? Whom do I call?',
  },
  {
    who: 'Zita Mowbray-Finch',
    sort: 'comment',
    atMs: 211_500,
    hoursAgo: 88,
    words: 'This part is frightening. I watched it three times.',
    replies: [
      { who: 'Imre Castlebeck', words: 'Me too, and I have steered for years.', hoursAgo: 70 },
    ],
  },
  {
    who: 'Yorick Stallbridge',
    sort: 'comment',
    partId: ANATOMY_PART,
    hoursAgo: 64,
    words: 'Pin 5 helped me: I had taken the culvert for the paddle.',
  },
  {
    who: 'Piet Rushmoor',
    sort: 'comment',
    partId: BEFORE_PART,
    hoursAgo: 252,
    words: 'I live opposite the third lock, if somebody wants to look at one from a window.',
    replies: [{ who: 'Xenia Poldwick', words: 'Gladly, on Sunday?', hoursAgo: 249 }],
  },
]

export const AUTUMN_TALK: readonly Begun[] = [
  {
    who: null,
    sort: 'prompt',
    atMs: 41_960,
    hoursAgo: 20,
    range: { from: 0, to: 10 },
    words: 'How sure are you, from 0 to 10, that you could work a lock alone tomorrow?',
    replies: [
      { who: 'first', words: 'Sure of the paddles, less of the gates.', hoursAgo: 15, number: 6 },
      { who: 'second', words: '', hoursAgo: 9, number: 8 },
    ],
  },
  {
    who: 'first',
    sort: 'comment',
    atMs: 10_000,
    hoursAgo: 14,
    words: 'It is two years since my last lock. The drawing helps more than the handbook.',
  },
]

interface Among {
  teacher: Person
  assignmentId: string
  today: Date
  /** Whom a name of the talk stands for. */
  people: (name: string) => Person
}

/** Says it all, in the order in which it was said, through the same doors as anybody. */
export async function talkAbout(
  context: Context,
  talk: readonly Begun[],
  among: Among,
): Promise<void> {
  const sayings = talk.flatMap((begun, index) => sayingsOf(begun, index, among.today))
  /** When each was said: nobody replies before there is something to reply to. */
  const saidAt = new Map<string, number>()
  for (const { who, saying } of sayings.sort((a, b) => (a.saying.at < b.saying.at ? -1 : 1))) {
    const { replyTo } = saying
    if (replyTo !== null && !saidAt.has(replyTo)) continue
    const from = replyTo === null ? 0 : saidAt.get(replyTo)! + HOUR_MS / 4
    const wanted = { ...saying, at: new Date(Math.max(Date.parse(saying.at), from)).toISOString() }
    const at =
      who === null
        ? await sayAsTeacher(context, among, wanted)
        : await sayAs(context, among, who, wanted)
    if (at !== null) saidAt.set(saying.postId, at)
  }
}

function sayingsOf(begun: Begun, index: number, today: Date) {
  const at = ({ hoursAgo }: Said) => new Date(today.getTime() - hoursAgo * HOUR_MS).toISOString()
  const id = `talk-${index + 1}`
  const place =
    begun.atMs === undefined ? { on: 'part' as const } : { on: 'moment' as const, atMs: begun.atMs }
  const where = { partId: begun.partId ?? WATER_THAT_CLIMBS.partId, place, isGone: false }
  const head: Saying = {
    postId: id,
    sort: begun.sort,
    replyTo: null,
    ...where,
    words: begun.words,
    number: null,
    range: begun.range ?? null,
    at: at(begun),
  }
  const replies = (begun.replies ?? []).map((reply, place_) => ({
    who: reply.who,
    saying: {
      postId: `${id}-${place_ + 1}`,
      sort: 'reply' as const,
      replyTo: id,
      ...where,
      words: reply.words,
      number: reply.number ?? null,
      range: null,
      at: at(reply),
    },
  }))
  return [{ who: begun.who, saying: head }, ...replies]
}

/** Answers with when it was said, in ms; so does the next. */
async function sayAsTeacher(
  context: Context,
  { teacher, assignmentId }: Among,
  saying: Saying,
): Promise<number> {
  const { saidAt } = await sayToAll(
    context,
    teacher,
    { source: 'assignment', sourceId: assignmentId },
    saying,
  )
  return Date.parse(saidAt)
}

/** Null for whoever is simulated not to have begun, or not by now: they say nothing. */
async function sayAs(
  context: Context,
  { assignmentId, people, today }: Among,
  who: string,
  saying: Saying,
): Promise<number | null> {
  const [attempt] = await select<{ id: string; opened: Date; seen: Date }>(
    context.database,
    `SELECT id, opened_at AS opened, last_seen_at AS seen FROM attempts
      WHERE assignment_id = $1 AND person_id = $2`,
    [assignmentId, people(who).id],
  )
  const atMs = Math.max(
    Date.parse(saying.at),
    (attempt?.opened.getTime() ?? Infinity) + HOUR_MS / 2,
  )
  if (!attempt || atMs > today.getTime()) return null
  const at = new Date(atMs)
  const record = { kind: 'say' as const, id: saying.postId, ...saying, at: at.toISOString() }
  await acceptRecords(
    context,
    attempt.id,
    { records: [record] },
    at > attempt.seen ? at : attempt.seen,
  )
  return atMs
}
