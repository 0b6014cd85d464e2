import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  activityOf,
  hidesSome,
  isAbout,
  newestFirst,
  saysIn,
  STILL_THERE_MS,
  fitsRange,
  isRange,
  mayHide,
  maySay,
  maySee,
  numbersOf,
  partsTalkedAbout,
  POST_SORTS,
  postsIn,
  searchThreads,
  seesHidden,
  spreadOf,
  threadsOf,
  waitsForTeacher,
  withPosts,
  type Post,
} from './index.ts'

const ADA = { id: 'ada', name: 'Ada Thornlow', teaches: false }
const BRAM = { id: 'bram', name: 'Bram Éloy', teaches: false }
const TEACHER = { id: 'teacher', name: 'Greta Marsh', teaches: true }
const at = (second: number) => new Date(Date.UTC(2026, 2, 2, 10, 0, second)).toISOString()
const post = (id: string, more: Partial<Post> = {}): Post => ({
  id,
  sort: 'comment',
  replyTo: null,
  partId: 'film',
  place: { on: 'moment', atMs: 0 },
  words: id,
  number: null,
  range: null,
  author: ADA,
  isMine: false,
  saidAt: at(0),
  isChanged: false,
  isGone: false,
  isHidden: false,
  change: 1,
  ...more,
})
const reply = (id: string, replyTo: string, more: Partial<Post> = {}): Post =>
  post(id, { sort: 'reply', replyTo, ...more })
const moment = (atMs: number) => ({ place: { on: 'moment', atMs } as const })
const ids = (threads: { head: Post }[]) => threads.map(({ head }) => head.id)

describe('who may', () => {
  it('say what', () => {
    const may = (teaches: boolean) => POST_SORTS.filter((sort) => maySay(sort, teaches))
    expect(may(false)).toEqual(['comment', 'enquiry', 'reply'])
    expect(may(true)).toEqual(['comment', 'prompt', 'reply'])
  })

  it('see what goes to the teachers alone: they, and whoever asked', () => {
    const head = { sort: 'enquiry', personId: 'ada' } as const
    const looks = (personId: string, teaches = false) =>
      maySee(head, { personId, teaches, moderates: true })
    expect([looks('ada'), looks('bram'), looks('teacher', true)]).toEqual([true, false, true])
    expect(
      maySee({ ...head, sort: 'comment' }, { personId: 'bram', teaches: false, moderates: false }),
    ).toBe(true)
  })

  it('see what is hidden, and hide what whom said', () => {
    const by = (personId: string, teaches: boolean, moderates: boolean) => ({
      personId,
      teaches,
      moderates,
    })
    const said = { personId: 'ada' }
    expect(seesHidden(said, by('ada', false, false))).toBe(true)
    expect(seesHidden(said, by('bram', false, false))).toBe(false)
    expect(seesHidden(said, by('bram', false, true))).toBe(true)
    expect(mayHide({ author: ADA }, by('bram', false, true))).toBe(true)
    expect(mayHide({ author: TEACHER }, by('bram', false, true))).toBe(false)
    expect(mayHide({ author: TEACHER }, by('other', true, true))).toBe(true)
    expect(mayHide({ author: null }, by('bram', false, false))).toBe(false)
  })

  it('answer with which number', () => {
    expect(isRange({ from: 0, to: 10 })).toBe(true)
    expect(
      [
        { from: 1, to: 1 },
        { from: 2, to: 1 },
        { from: 0.5, to: 2 },
        { from: 0, to: 2e6 },
      ].some(isRange),
    ).toBe(false)
    expect(fitsRange(null, null)).toBe(true)
    expect(fitsRange(3, null)).toBe(false)
    expect([0, 2.5, 10, -1, 11].map((number) => fitsRange(number, { from: 0, to: 10 }))).toEqual([
      true,
      false,
      true,
      false,
      false,
    ])
  })
})

describe('threads', () => {
  it('follow the lesson, then the film, then when they were said', () => {
    const posts = [
      post('whole', { place: { on: 'part' } }),
      post('late', moment(9000)),
      post('early', { ...moment(1000), saidAt: at(5) }),
      post('earlier said', { ...moment(1000), saidAt: at(2) }),
      post('page', { partId: 'page', place: { on: 'part' } }),
      post('second whole', { place: { on: 'part' }, saidAt: at(1) }),
      post('elsewhere', { partId: 'gone' }),
      reply('b', 'late', { saidAt: at(9) }),
      reply('a', 'late', { saidAt: at(8) }),
    ]
    const threads = threadsOf(posts, ['page', 'film'])
    expect(ids(threads)).toEqual(['page', 'earlier said', 'early', 'late', 'whole', 'second whole'])
    expect(threads[3]!.replies.map(({ id }) => id)).toEqual(['a', 'b'])
  })

  it('what is gone, or hidden from whoever looks, stands as long as something hangs on it', () => {
    const gone = post('gone', { isGone: true, words: '' })
    const hidden = post('hidden', { isHidden: true, words: '' })
    const mine = post('mine', { isHidden: true, words: 'still here for me' })
    expect(ids(threadsOf([gone, hidden, mine], ['film']))).toEqual(['mine'])
    const withReplies = [gone, hidden, reply('r', 'gone'), reply('s', 'hidden', { isGone: true })]
    expect(ids(threadsOf(withReplies, ['film']))).toEqual(['gone'])
  })

  it('lose and double nothing, in whatever order posts come', () => {
    const anyPosts = fc.uniqueArray(fc.integer({ min: 0, max: 40 }), { maxLength: 25 })
    fc.assert(
      fc.property(anyPosts, fc.infiniteStream(fc.nat(4)), (numbers, choices) => {
        const heads: string[] = []
        const posts = numbers.map((number) => {
          const onto = heads[choices.next().value!]
          if (onto !== undefined) return reply(`${number}`, onto, { saidAt: at(number) })
          heads.push(`${number}`)
          return post(`${number}`, moment(number * 100))
        })
        const shuffled = [...posts].sort((a, b) => (a.id < b.id ? -1 : 1))
        const threads = threadsOf(shuffled, ['film'])
        expect(threads).toEqual(threadsOf(posts, ['film']))
        const read = threads.flatMap(({ head, replies }) => [head, ...replies])
        expect(read.map(({ id }) => id).sort()).toEqual(posts.map(({ id }) => id).sort())
      }),
    )
  })

  it('take the newest word on each post', () => {
    const known = withPosts([], [post('a'), post('b')])
    const news = withPosts(known, [post('a', { words: 'changed' }), post('c')])
    expect(news.map(({ words }) => words)).toEqual(['changed', 'b', 'c'])
    const later = withPosts(news, [post('a', { words: 'newest', change: 9 })])
    expect(withPosts(later, [post('a', { words: 'late answer', change: 3 })])).toEqual(later)
  })

  it('are found by what anybody says in them, and by who', () => {
    const threads = threadsOf(
      [
        post('one', { words: 'The sill catches the boat', author: BRAM }),
        post('two', { ...moment(5), words: 'Nothing' }),
        reply('r', 'two', { words: 'Oxwith reservoir', author: null }),
      ],
      ['film'],
    )
    expect(ids(searchThreads(threads, 'boat SILL'))).toEqual(['one'])
    expect(ids(searchThreads(threads, 'eloy'))).toEqual(['one'])
    expect(ids(searchThreads(threads, 'oxwith'))).toEqual(['two'])
    expect(ids(searchThreads(threads, '  '))).toEqual(['one', 'two'])
    expect(searchThreads(threads, 'aqueduct')).toEqual([])
  })

  it('are told by who speaks in them, what is hidden, and when something was said last', () => {
    const threads = threadsOf(
      [
        post('old', { saidAt: at(1) }),
        post('new', { ...moment(5), saidAt: at(2), isHidden: true }),
        reply('late', 'old', { saidAt: at(9), author: BRAM }),
      ],
      ['film'],
    )
    expect(ids(threads)).toEqual(['old', 'new'])
    expect(threads.map((thread) => [saysIn(thread, 'ada'), saysIn(thread, 'bram')])).toEqual([
      [true, true],
      [true, false],
    ])
    expect(threads.map(hidesSome)).toEqual([false, true])
    expect(ids(newestFirst([...threads].reverse()))).toEqual(['old', 'new'])
    expect(
      ids(newestFirst(threadsOf([post('a'), post('b', { saidAt: at(3) })], ['film']))),
    ).toEqual(['b', 'a'])
  })

  it('follow the lesson, and then the parts that it has no longer', () => {
    const posts = [
      post('gone', { partId: 'gone' }),
      post('there'),
      post('again', { partId: 'gone' }),
    ]
    expect(partsTalkedAbout(['page', 'film'], posts)).toEqual(['page', 'film', 'gone'])
  })

  it('are about what a film shows for a while, and no longer', () => {
    const [thread] = threadsOf([post('said', moment(5000))], ['film'])
    const shown = [4999, 5000, 5000 + STILL_THERE_MS - 1, 5000 + STILL_THERE_MS]
    expect(shown.map((ms) => isAbout(thread!, ms))).toEqual([false, true, true, false])
    const [whole] = threadsOf([post('whole', { place: { on: 'part' } })], ['film'])
    expect(isAbout(whole!, 0)).toBe(false)
  })

  it('an enquiry waits until a teacher has replied', () => {
    const waits = (...posts: Post[]) => threadsOf(posts, ['film']).some(waitsForTeacher)
    const asked = post('asked', { sort: 'enquiry' })
    expect(waits(asked)).toBe(true)
    expect(waits(asked, reply('more', 'asked'))).toBe(true)
    expect(waits(asked, reply('until Friday', 'asked', { author: TEACHER }))).toBe(false)
    expect(waits(post('said'))).toBe(false)
  })
})

describe('numbers given to a prompt', () => {
  const prompt = post('prompt', { sort: 'prompt', range: { from: 1, to: 5 }, author: TEACHER })

  it('of each person the last', () => {
    const [thread] = threadsOf(
      [
        prompt,
        reply('a', 'prompt', { number: 2 }),
        reply('b', 'prompt', { number: 5, author: BRAM }),
        reply('c', 'prompt', { number: 4, saidAt: at(3) }),
        reply('d', 'prompt', { saidAt: at(4) }),
      ],
      ['film'],
    )
    expect(numbersOf(thread!).sort()).toEqual([4, 5])
    expect(
      numbersOf({ head: post('no prompt'), replies: [reply('x', 'y', { number: 1 })] }),
    ).toEqual([])
  })

  it('have a bar each where they are few, and ten bars where they are many', () => {
    expect(spreadOf([1, 5, 5, 3, 9], { from: 1, to: 5 })).toEqual({
      count: 4,
      mean: 3.5,
      median: 4,
      bars: [
        { from: 1, to: 1, count: 1 },
        { from: 2, to: 2, count: 0 },
        { from: 3, to: 3, count: 1 },
        { from: 4, to: 4, count: 0 },
        { from: 5, to: 5, count: 2 },
      ],
    })
    const wide = spreadOf([0, 99, 100, 200, 1000], { from: 0, to: 1000 })
    expect(wide.bars.map(({ count }) => count)).toEqual([2, 1, 1, 0, 0, 0, 0, 0, 0, 1])
    expect(wide.bars[9]).toMatchObject({ from: 900, to: 1000 })
    expect(spreadOf([], { from: 0, to: 3 })).toMatchObject({ count: 0, mean: null, median: null })
  })

  it('are all in a bar that holds them', () => {
    const range = fc.tuple(fc.integer({ min: -500, max: 500 }), fc.integer({ min: 1, max: 900 }))
    fc.assert(
      fc.property(
        range,
        fc.array(fc.double({ min: 0, max: 1, noNaN: true })),
        ([from, wide], shares) => {
          const numbers = shares.map((share) => from + share * wide)
          const { bars, count } = spreadOf(numbers, { from, to: from + wide })
          expect(bars.reduce((sum, bar) => sum + bar.count, 0)).toBe(numbers.length)
          expect(count).toBe(numbers.length)
          expect([bars[0]!.from, bars.at(-1)!.to]).toEqual([from, from + wide])
        },
      ),
    )
  })
})

it('who has posted what: answers to prompts once each, what is gone not at all', () => {
  const activity = activityOf([
    post('prompt', { sort: 'prompt', author: TEACHER }),
    post('comment'),
    post('asked', { sort: 'enquiry', saidAt: at(2) }),
    post('gone', { isGone: true, saidAt: at(60) }),
    post('hidden', { isHidden: true }),
    reply('one', 'prompt', { number: 3 }),
    reply('two', 'prompt', { saidAt: at(9) }),
    reply('three', 'comment'),
    post('nobody', { author: null }),
  ])
  expect(activity.get('ada')).toEqual({
    comments: 2,
    enquiries: 1,
    replies: 1,
    answers: 1,
    lastAt: at(9),
  })
  expect(postsIn(activity.get('ada')!)).toBe(5)
  expect([...activity.keys()].sort()).toEqual(['ada', 'teacher'])
})
