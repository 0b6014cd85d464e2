// The talk of a class: who sees what, who may say what, and what comes of repeats and clocks.
import { nanoid } from 'nanoid'
import { beforeEach, describe, expect, it } from 'vitest'
import type { Attempt } from '@fernbrake/core/contract'
import { threadsOf, withPosts, type Post } from '@fernbrake/core/talk'
import { lessonWithFilm, PART } from '@fernbrake/core/testing'
import { beginWork, openClassroom, sendRecords, type Somebody } from '../testing/classroom.ts'
import { saidAt, record, reply, saying, useTalkRoom, wordsOf } from '../testing/talkRoom.ts'

const { here, say, read, readAsTeacher, sayAsTeacher } = useTalkRoom()
let { server, teacher, ada, bram, room, talk, attempts } = here
beforeEach(() => {
  ;({ server, teacher, ada, bram, room, talk, attempts } = here)
})
const codes = (got: { refused: { code: string }[] }) => got.refused.map(({ code }) => code)

describe('what is said', () => {
  it('is there once, however often it is sent, and for all of the class', async () => {
    const said = record('Where does the water come from?')
    for (let times = 0; times < 3; times += 1)
      expect(await say(ada, said)).toMatchObject({ kept: [said.id], refused: [] })
    const forBram = await read(bram)
    expect(forBram).toMatchObject({ isOn: true, mayHide: false, isMore: false })
    expect(forBram.posts).toMatchObject([
      {
        id: said.postId,
        words: 'Where does the water come from?',
        isMine: false,
        isChanged: false,
        saidAt: saidAt(0),
        author: { id: ada.person.id, name: 'Test learner', teaches: false },
      },
    ])
    expect((await read(ada)).posts).toMatchObject([{ isMine: true }])
    expect(wordsOf(await readAsTeacher())).toEqual(['Where does the water come from?'])
  })

  it('holds by its latest word, in whatever order the words come', async () => {
    const said = record('frist', {}, 1)
    const changed = { ...said, id: nanoid(), words: 'first', at: saidAt(9) }
    const late = { ...said, id: nanoid(), words: 'late', at: saidAt(5) }
    await say(ada, said, changed, late)
    expect((await read(bram)).posts).toMatchObject([{ words: 'first', isChanged: true }])
    const back = { ...said, id: nanoid(), isGone: true, at: saidAt(20) }
    await say(ada, back)
    expect((await read(bram)).posts).toMatchObject([{ words: '', isGone: true }])
  })

  it('comes to those who know the rest as what is new alone', async () => {
    await say(ada, record('one'), record('two'))
    const { upTo, posts } = await read(bram)
    expect(await read(bram, upTo)).toMatchObject({ posts: [], upTo })
    const [first] = posts
    await say(bram, reply(first!.id, 'three', {}, 5))
    const news = await read(ada, upTo)
    expect(wordsOf(news)).toEqual(['three'])
    // A change comes again.
    await teacher.agent.patch(`${talk}/${first!.id}`).send({ isHidden: true }).expect(200)
    const changed = (await read(bram, news.upTo)).posts
    expect(changed.find(({ id }) => id === first!.id)).toMatchObject({ isHidden: true })
    expect(changed).toHaveLength(2)
  })

  it('keeps every word of many who talk at once, and whoever asks meanwhile misses none', async () => {
    let known: Post[] = []
    let upTo = 0
    const ask = async () => {
      const news = await read(ada, upTo)
      known = withPosts(known, news.posts)
      upTo = news.upTo
    }
    await Promise.all(
      Array.from({ length: 24 }, async (_, index) => {
        await say(index % 2 ? ada : bram, record(`${index}`, {}, index))
        if (index % 3 === 0) await ask()
      }),
    )
    await ask()
    expect(known.map(({ words }) => Number(words)).sort((a, b) => a - b)).toEqual(
      Array.from({ length: 24 }, (_, index) => index),
    )
  })
})

describe('to the teacher alone', () => {
  it('is seen by teachers and by whoever asked, and so is what is replied', async () => {
    const asked = record('May I hand it in late?', { sort: 'enquiry' })
    await say(ada, asked)
    await sayAsTeacher('Until Friday.', { sort: 'reply', replyTo: asked.postId })
    expect(wordsOf(await read(bram))).toEqual([])
    expect(wordsOf(await read(ada))).toEqual(['May I hand it in late?', 'Until Friday.'])
    // Nobody else can reply to what they cannot see.
    expect(codes(await say(bram, reply(asked.postId, 'Me too')))).toEqual(['unknownPost'])
    expect(wordsOf(await readAsTeacher())).toHaveLength(2)
  })
})

describe('a prompt', () => {
  it('is answered with a number of its range, and by nobody with any other', async () => {
    const prompt = await sayAsTeacher('How many boats an hour?', {
      sort: 'prompt',
      range: { from: 1, to: 10 },
    })
    const given = reply(prompt.id, '', { number: 6 })
    expect(codes(await say(ada, given, reply(prompt.id, '', { number: 11 })))).toEqual([
      'wrongNumber',
    ])
    const comment = record('A comment')
    await say(bram, comment)
    expect(codes(await say(ada, reply(comment.postId, '', { number: 3 })))).toEqual(['wrongNumber'])
    const threads = threadsOf((await read(bram)).posts, [PART])
    expect(threads.find(({ head }) => head.id === prompt.id)).toMatchObject({
      head: { range: { from: 1, to: 10 } },
      replies: [{ number: 6 }],
    })
  })

  it('is a teacher’s; a teacher asks nobody in secret', async () => {
    expect(codes(await say(ada, record('Who knows?', { sort: 'prompt' })))).toEqual(['notForYou'])
    await teacher.agent
      .post(talk)
      .send(saying('Hm', { sort: 'enquiry' }))
      .expect(403)
  })
})

describe('what is not taken', () => {
  it('is refused with a sentence, record by record', async () => {
    const good = record('good')
    const others = record('others')
    await say(bram, others)
    const got = await say(
      ada,
      record('nowhere', { partId: 'gone' }),
      record('beyond', { place: { on: 'moment', atMs: 61_000 } }),
      reply('nothing', 'to nobody'),
      { ...others, id: nanoid(), words: 'not mine', at: saidAt(3600) },
      good,
    )
    expect(codes(got)).toEqual(['unknownPart', 'beyondEnd', 'unknownPost', 'notForYou'])
    expect(got.kept).toEqual([good.id])
    expect(wordsOf(await read(bram)).sort()).toEqual(['good', 'others'])
  })

  it('a reply hangs on what began it, and not on a reply or what is gone', async () => {
    const head = record('head')
    const first = reply(head.postId, 'first')
    await say(ada, head, first)
    expect(codes(await say(bram, reply(first.postId, 'deeper')))).toEqual(['unknownPost'])
    await say(ada, { ...head, id: nanoid(), isGone: true, at: saidAt(3600) })
    expect(codes(await say(bram, reply(head.postId, 'too late')))).toEqual(['unknownPost'])
  })

  it('a reply stays with what it replied to', async () => {
    const [one, other] = [record('one'), record('other')]
    const said = reply(one.postId, 'to the one')
    await say(ada, one, other, said)
    const moved = { ...said, id: nanoid(), replyTo: other.postId, at: saidAt(3600) }
    expect(codes(await say(ada, moved))).toEqual(['notForYou'])
    const sorted = { ...one, id: nanoid(), sort: 'enquiry', at: saidAt(3600) }
    expect(codes(await say(ada, sorted))).toEqual(['notForYou'])
  })

  it.each([
    ['words without a letter', { words: '  ' }],
    ['a reply to nothing', { sort: 'reply' }],
    ['a comment with a range', { range: { from: 1, to: 2 } }],
    ['a range that leads nowhere', { sort: 'prompt', range: { from: 2, to: 2 } }],
    ['a comment with a number', { number: 3 }],
    ['too many words', { words: 'a'.repeat(2001) }],
    ['what nobody knows', { shout: true }],
  ])('%s', async (_, more) => {
    const records = [record('words', more)]
    await ada.agent
      .post(`/api/attempts/${attempts.get(ada)!}/records`)
      .send({ records })
      .expect(422)
    await teacher.agent.post(talk).send(saying('words', more)).expect(422)
  })
})

describe('switched off', () => {
  it('nobody of the class talks or reads; what was said is there again when it is on', async () => {
    const before = record('before')
    await say(ada, before)
    const turn = `${room.path}/${room.assignmentId}/talk`
    expect((await teacher.agent.patch(turn).send({ isOn: false }).expect(200)).body).toEqual({
      isOn: false,
    })
    expect(codes(await say(ada, record('after')))).toEqual(['talkOff'])
    expect(await read(bram)).toMatchObject({ isOn: false, posts: [] })
    expect(wordsOf(await readAsTeacher())).toEqual(['before'])
    const { body } = await ada.agent.get(`/api/attempts/${attempts.get(ada)!}`).expect(200)
    expect((body as Attempt).talks).toBe(false)
    await teacher.agent.patch(turn).send({ isOn: true }).expect(200)
    expect(wordsOf(await read(bram))).toEqual(['before'])
  })

  it('is so unless a class was told that it may', async () => {
    const quiet = await openClassroom(server, teacher, [ada], lessonWithFilm(60_000))
    attempts.set(ada, await beginWork(ada, quiet.assignmentId))
    expect(codes(await say(ada, record('hello')))).toEqual(['talkOff'])
  })

  it('is so for whoever left the class, and for those who opened the lesson by its link', async () => {
    await teacher.agent
      .patch(`/api/classes/${room.classId}/members/${ada.person.id}`)
      .send({ hasLeft: true })
      .expect(200)
    expect(codes(await say(ada, record('from outside')))).toEqual(['talkOff'])
    expect(await read(ada)).toMatchObject({ isOn: false, posts: [] })
    const link = await bram.agent.post(`/api/links/${room.code}/attempts`).send({}).expect(201)
    const got = await sendRecords(bram, link.body.attemptId, record('by link'))
    expect(codes(got)).toEqual(['talkOff'])
  })
})

describe('hiding', () => {
  const hide = (who: Somebody, postId: string, isHidden = true) =>
    who.agent.patch(`/api/attempts/${attempts.get(who)!}/talk/${postId}`).send({ isHidden })
  const letModerate = (who: Somebody, moderates: boolean) =>
    teacher.agent
      .patch(`/api/classes/${room.classId}/members/${who.person.id}`)
      .send({ moderates })
      .expect(200)

  it('takes the words from all but their author and those who could hide them', async () => {
    const said = record('unkind')
    await say(ada, said)
    await teacher.agent.patch(`${talk}/${said.postId}`).send({ isHidden: true }).expect(200)
    expect((await read(bram)).posts).toMatchObject([{ words: '', isHidden: true }])
    expect((await read(ada)).posts).toMatchObject([{ words: 'unkind', isHidden: true }])
    expect((await readAsTeacher()).posts).toMatchObject([{ words: 'unkind', isHidden: true }])
    await teacher.agent.patch(`${talk}/${said.postId}`).send({ isHidden: false }).expect(200)
    expect(wordsOf(await read(bram))).toEqual(['unkind'])
  })

  it('takes along what hangs on it, also from those who knew it, and brings it back', async () => {
    const said = record('unkind')
    await say(ada, said)
    await say(bram, reply(said.postId, 'quoting the unkind', {}, 1))
    await sayAsTeacher('Please do not.', { sort: 'reply', replyTo: said.postId })
    const { upTo } = await read(ada)
    await teacher.agent.patch(`${talk}/${said.postId}`).send({ isHidden: true }).expect(200)
    // Of each what it says to whoever sees it: their own words are left to them, and teachers see all.
    const seen = ({ posts }: { posts: Post[] }) =>
      posts.flatMap(({ words }) => (words === '' ? [] : [words])).sort()
    const news = await read(ada, upTo)
    expect(news.posts.map(({ isHidden }) => isHidden)).toEqual([true, true, true])
    expect(seen(news)).toEqual(['unkind'])
    expect(seen(await read(bram))).toEqual(['quoting the unkind'])
    expect(seen(await readAsTeacher())).toEqual(['Please do not.', 'quoting the unkind', 'unkind'])
    const known = withPosts((await read(bram)).posts, [])
    expect(threadsOf(known, [PART])[0]!.replies).toMatchObject([{ words: 'quoting the unkind' }])
    await teacher.agent.patch(`${talk}/${said.postId}`).send({ isHidden: false }).expect(200)
    const back = await read(ada, news.upTo)
    expect(seen(back)).toEqual(['Please do not.', 'quoting the unkind', 'unkind'])
    expect(back.posts.some(({ isHidden }) => isHidden)).toBe(false)
  })

  it('is for those of the class whom the teacher lets, and not over what teachers say', async () => {
    const said = record('unkind')
    const asked = record('secret', { sort: 'enquiry' })
    await say(ada, said, asked)
    const teachers = await sayAsTeacher('Be kind.')
    await hide(bram, said.postId).expect(404)
    await letModerate(bram, true)
    expect(await read(bram)).toMatchObject({ mayHide: true })
    await hide(bram, said.postId).expect(200)
    expect(wordsOf(await read(bram)).sort()).toEqual(['Be kind.', 'unkind'])
    await hide(bram, teachers.id).expect(403)
    // What goes to the teacher alone is not for them either.
    await hide(bram, asked.postId).expect(404)
    await letModerate(bram, false)
    await hide(bram, said.postId, false).expect(404)
    await hide(ada, said.postId, false).expect(404)
  })
})
