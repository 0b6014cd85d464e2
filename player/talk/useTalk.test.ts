// The talk on one page: what is known, what is on its way, what was refused, and what is new.
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createSSRApp, effectScope, ref, type Component } from 'vue'
import { renderToString } from 'vue/server-renderer'
import type { TalkReply } from '@fernbrake/core/contract'
import type { LearnerRecord, SayRecord, Saying } from '@fernbrake/core/records'
import type { Post } from '@fernbrake/core/talk'
import type { Host, HostState, OpenedLesson } from '../hosts/Host.ts'
import { createPlayerI18n } from '../i18n.ts'
import NumberSpread from './NumberSpread.vue'
import { openTalk, addTexts } from './openTalk.ts'
import TalkThread from './TalkThread.vue'
import { sayingOf, useTalk, type TalkPlace } from './useTalk.ts'

const ME = { id: 'me', name: 'Tam Oakshott', teaches: false }
const post = (id: string, more: Partial<Post> = {}): Post => ({
  id,
  sort: 'comment',
  replyTo: null,
  partId: 'film',
  place: { on: 'moment', atMs: 1000 },
  words: id,
  number: null,
  range: null,
  isMine: false,
  isChanged: false,
  isGone: false,
  author: { id: 'other', name: 'Ivo Brackenbury', teaches: false },
  isHidden: false,
  saidAt: '2026-03-02T10:00:00.000Z',
  change: 1,
  ...more,
})
const saying = (postId: string, more: Partial<Saying> = {}): Saying => ({
  postId,
  sort: 'comment',
  replyTo: null,
  partId: 'film',
  place: { on: 'part' },
  words: postId,
  number: null,
  range: null,
  isGone: false,
  at: '2026-03-02T10:00:00.000Z',
  ...more,
})

/** A server that holds posts, and hands them out two at a time. */
class FakeServer {
  posts: Post[] = []
  isAway = false
  asked = 0
  read = (after: number): Promise<TalkReply> => {
    this.asked += 1
    if (this.isAway) return Promise.reject(new Error('away'))
    const news = this.posts.filter(({ change }) => change > after).slice(0, 2)
    const upTo = news.at(-1)?.change ?? after
    const isMore = this.posts.some(({ change }) => change > upTo)
    return Promise.resolve({ isOn: true, mayHide: false, posts: news, upTo, isMore })
  }
}

beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal('document', { visibilityState: 'visible' })
  const kept = new Map<string, string>()
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => kept.set(key, value),
    removeItem: (key: string) => kept.delete(key),
  })
})
afterEach(() => {
  vi.unstubAllGlobals()
  vi.useRealTimers()
})

function begin(place: Partial<TalkPlace> = {}) {
  const server = new FakeServer()
  const unsent: Saying[] = []
  const scope = effectScope()
  const talk = scope.run(() =>
    useTalk(
      {
        read: server.read,
        say(one) {
          unsent.push(one)
          return Promise.resolve(null)
        },
        hide: (postId, isHidden) => Promise.resolve(post(postId, { isHidden, change: 99 })),
        unsent: () => Promise.resolve(unsent),
        newId: () => 'new',
        ...place,
      },
      ME,
    ),
  )!
  const words = () => talk.posts.value.map(({ words: said }) => said)
  return { server, unsent, talk, words, stop: () => scope.stop() }
}

describe('what is known', () => {
  it('is read to its end, and then only what is new', async () => {
    const { server, talk, words } = begin()
    server.posts = [1, 2, 3, 4, 5].map((change) => post(`p${change}`, { change }))
    await talk.refresh()
    expect(words()).toEqual(['p1', 'p2', 'p3', 'p4', 'p5'])
    expect(server.asked).toBe(3)
    server.posts.push(post('p2', { change: 6, words: 'changed' }))
    await talk.refresh()
    expect([server.asked, words()[1], words().length]).toEqual([4, 'changed', 5])
    await talk.hide('p3', true)
    expect(talk.posts.value[2]).toMatchObject({ isHidden: true })
  })

  it('is asked for often while somebody looks, seldom else, and not at all behind another page', async () => {
    const { server, talk, stop } = begin()
    await vi.advanceTimersByTimeAsync(60_000)
    const seldom = server.asked
    expect(seldom).toBeLessThan(4)
    const away = talk.watch()
    await vi.advanceTimersByTimeAsync(20_000)
    expect(server.asked - seldom).toBeGreaterThan(3)
    away()
    vi.stubGlobal('document', { visibilityState: 'hidden' })
    const asked = server.asked
    await vi.advanceTimersByTimeAsync(300_000)
    expect(server.asked).toBe(asked)
    stop()
    vi.stubGlobal('document', { visibilityState: 'visible' })
    await vi.advanceTimersByTimeAsync(300_000)
    expect(server.asked).toBe(asked)
  })

  it('stays while the server is away, which is told', async () => {
    const { server, talk, words } = begin()
    server.posts = [post('p1')]
    await talk.refresh()
    server.isAway = true
    await talk.refresh()
    expect([talk.isAway.value, words()]).toEqual([true, ['p1']])
    server.isAway = false
    await talk.refresh()
    expect(talk.isAway.value).toBe(false)
  })
})

describe('what is said here', () => {
  it('stands there at once, and is the server’s once it does not wait any more', async () => {
    const { server, unsent, talk, words } = begin()
    await talk.say(saying('mine'))
    expect(words()).toEqual(['mine'])
    await talk.refresh()
    expect(talk.onItsWay.value.has('mine')).toBe(true)
    unsent.length = 0
    server.posts = [post('mine', { words: 'as the server has it', isMine: true })]
    await talk.refresh()
    expect([talk.onItsWay.value.size, words()]).toEqual([0, ['as the server has it']])
  })

  it('is not let go by news that were asked for before it was said', async () => {
    let answer = (_: TalkReply) => {}
    const { talk, words, unsent } = begin({
      read: () => new Promise((resolve) => (answer = resolve)),
    })
    const asking = talk.refresh()
    await talk.say(saying('mine'))
    unsent.length = 0
    answer({ isOn: true, mayHide: false, posts: [], upTo: 0, isMore: false })
    await asking
    expect(words()).toEqual(['mine'])
  })

  it('stays with its reason where it was refused, until it is let go', async () => {
    const { talk, unsent, words } = begin()
    await talk.say(saying('mine'))
    talk.refuse('mine', 'too many')
    unsent.length = 0
    await talk.refresh()
    expect(talk.onItsWay.value.get('mine')).toMatchObject({ refused: 'too many' })
    talk.forget('mine')
    expect(words()).toEqual([])
  })

  it('can be put in other words, taken back, and put back', async () => {
    const { server, talk, words, unsent } = begin()
    server.posts = [post('mine', { isMine: true, author: ME })]
    await talk.refresh()
    const [known] = talk.posts.value
    await talk.say(sayingOf(known!, { words: 'better' }))
    expect(talk.posts.value[0]).toMatchObject({ words: 'better', isChanged: true })
    await talk.takeBack(talk.posts.value[0]!)
    expect(talk.posts.value[0]).toMatchObject({ isGone: true })
    await talk.putBack()
    expect(words()).toEqual(['better'])
    expect(talk.takenBack.value).toBeNull()
    expect(unsent.map(({ words: said, isGone }) => [said, isGone])).toEqual([
      ['better', false],
      ['better', true],
      ['better', false],
    ])
  })

  it('is the server’s at once where it is said to the server', async () => {
    const { talk } = begin({ say: ({ postId }) => Promise.resolve(post(postId, { isMine: true })) })
    await talk.say(saying('mine'))
    expect([talk.onItsWay.value.size, talk.posts.value.length]).toEqual([0, 1])
    const refusing = begin({ say: () => Promise.reject(new Error('away')) })
    await expect(refusing.talk.say(saying('mine'))).rejects.toThrow('away')
    expect(refusing.words()).toEqual([])
  })
})

describe('the talk of a lesson', () => {
  function open(unsent: SayRecord[] = []) {
    const server = new FakeServer()
    const records: LearnerRecord[] = []
    const hostState = ref<HostState>({ waiting: 0, unkept: 0, connection: 'online', refused: [] })
    let ids = 0
    const host = {
      newId: () => `id-${(ids += 1)}`,
      record: (record: LearnerRecord) => records.push(record),
      flush: () => Promise.resolve(),
      talk: { read: server.read, unsent: () => Promise.resolve(unsent), hide: vi.fn() },
    } as unknown as Host
    const around = { goTo: vi.fn(), mayOpen: () => true, parts: ref([]) }
    const scope = effectScope()
    const lesson = { learnerName: ME.name, learnerId: ME.id, seed: 's' } as OpenedLesson
    const classTalk = scope.run(() => openTalk(host, host.talk!, hostState, lesson, around))!
    return { server, records, hostState, scope, current: () => classTalk }
  }

  it('is asked for as long as the player is there', () => {
    const { server, scope } = open()
    expect(server.asked).toBe(1)
    scope.stop()
    vi.advanceTimersByTime(300_000)
    expect(server.asked).toBe(1)
  })

  it('takes up what an earlier sitting left unsent, and tells what is refused', async () => {
    const left: SayRecord = { kind: 'say', id: 'r', ...saying('left') }
    const { current, hostState, records } = open([left])
    await vi.advanceTimersByTimeAsync(0)
    const { talk } = current()
    expect(talk.posts.value).toMatchObject([{ id: 'left', isMine: true, author: ME }])
    hostState.value = {
      ...hostState.value,
      refused: [{ id: 'r', code: 'talkOff', message: 'It is over.' }],
    }
    await vi.advanceTimersByTimeAsync(0)
    expect(talk.onItsWay.value.get('left')).toMatchObject({ refused: 'It is over.' })
    await talk.say(saying('more'))
    expect(records).toMatchObject([{ kind: 'say', postId: 'more', words: 'more' }])
  })

  it('counts what is new until it is looked at, also on the next day', async () => {
    const { current, server } = open()
    server.posts = [post('a'), post('b', { change: 2 }), post('c', { change: 3, isMine: true })]
    await current().talk.refresh()
    await current().talk.refresh()
    expect(current().unseen.value).toBe(2)
    current().look()
    await vi.advanceTimersByTimeAsync(0)
    expect(current().unseen.value).toBe(0)
    const next = open()
    next.server.posts = [...server.posts, post('d', { change: 4 })]
    await next.current().talk.refresh()
    await next.current().talk.refresh()
    expect(next.current().unseen.value).toBe(1)
  })
})

/** The texts of the talk come with it. */
async function withTalk() {
  const i18n = await createPlayerI18n('en')
  addTexts()
  return i18n
}

describe('as it reads', () => {
  const shown = async (component: Component, props: Record<string, unknown>) =>
    (await renderToString(createSSRApp(component, props).use(await withTalk())))
      .replace(/<!--.*?-->/g, '')
      .replace(/<[^>]*>/g, ' ')
      .replace(/\s+/g, ' ')
  const thread = (head: Post, replies: Post[], me = ME, mayHide = false) => {
    const { talk } = begin()
    talk.mayHide.value = mayHide
    return shown(TalkThread, {
      thread: { head, replies },
      talk: { ...talk, teaches: me.teaches },
      draftKey: null,
    })
  }

  it('says where, who and what; what is hidden or gone says so', async () => {
    const words = await thread(post('Where from?', { isHidden: true, words: '' }), [
      post('gone', { isGone: true }),
      post('From Oxwith', { author: { id: 't', name: 'Merrin Coldwell', teaches: true } }),
    ])
    expect(words).toContain('0:01')
    expect(words).toContain('Hidden by a teacher or moderator.')
    expect(words).toContain('Taken back.')
    expect(words).toMatch(/Merrin Coldwell teacher .*From Oxwith/)
    expect(words).not.toContain('Change')
  })

  it('lets people change their own, moderators hide what learners say, teachers hide all', async () => {
    const head = post('head', { isMine: true })
    const replies = [post('t', { author: { id: 't', name: 'Merrin', teaches: true } }), post('o')]
    const count = (words: string, act: string) => words.split(` ${act} `).length - 1
    const mine = await thread(head, replies)
    expect([count(mine, 'Take back'), count(mine, 'Hide')]).toEqual([1, 0])
    const moderated = await thread(head, replies, ME, true)
    expect(count(moderated, 'Hide')).toBe(1)
    const taught = await thread(post('head'), replies, { ...ME, teaches: true }, true)
    expect(count(taught, 'Hide')).toBe(3)
  })

  it('draws numbers one by one, or in ten columns', async () => {
    const few = await shown(NumberSpread, { numbers: [2, 2, 3], range: { from: 1, to: 3 } })
    expect(few).toContain('2: 2')
    expect(few).toContain('3 numbers; their mean is 2.3, half are 2 or less')
    const many = await shown(NumberSpread, { numbers: [5, 95], range: { from: 0, to: 100 } })
    expect(many).toContain('90 to under 100: 1')
    expect(await shown(NumberSpread, { numbers: [], range: { from: 0, to: 1 } })).toContain(
      'No numbers yet',
    )
  })
})
