// The talk of a class on one page: what is known of it, what is still on its way, and keeping both up to date.
import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import type { TalkReply } from '@fernbrake/core/contract'
import type { Saying } from '@fernbrake/core/records'
import { withPosts, type Post } from '@fernbrake/core/talk'
import { isoTime, nowMs } from '../clock.ts'

/** Where the talk is read, and through what somebody talks. */
export interface TalkPlace {
  read(after: number): Promise<TalkReply>
  /** Takes what was said in charge, or has it in the database by the time it resolves. Rejects where it is not said. */
  say(saying: Saying): Promise<Post | null>
  /** What was said here and has not arrived, the oldest first; nothing of it is in what `read` tells. */
  unsent(): Promise<Saying[]>
  hide(postId: string, isHidden: boolean): Promise<Post>
  newId(): string
}

/** Why something was not done, in a sentence for whoever tried. */
export class TalkFault extends Error {}

/** What was said here and is not known to have arrived. */
export interface OnItsWay {
  post: Post
  /** Why it was not taken; null while it may still be. */
  refused: string | null
  /** How often had been asked for news when it was said. */
  asks: number
}

/** How often a page that is looked at asks for what is new, and how often one that could be, in ms. */
const ASK_EVERY_MS = 4000
const ASK_SELDOM_MS = 45_000

export type Talk = ReturnType<typeof useTalk>

export function useTalk(place: TalkPlace, me: { id: string; name: string; teaches: boolean }) {
  const known = shallowRef<readonly Post[]>([])
  const onItsWay = shallowRef<ReadonlyMap<string, OnItsWay>>(new Map())
  const isOn = ref(true)
  const mayHide = ref(false)
  /** Whether the talk was read once; and whether it could not be when it was asked for last. */
  const isRead = ref(false)
  const isAway = ref(false)
  let upTo = 0
  let asks = 0
  let asking: Promise<void> | null = null

  function change(edit: (ways: Map<string, OnItsWay>) => void): void {
    const ways = new Map(onItsWay.value)
    edit(ways)
    onItsWay.value = ways
  }
  const takeIn = (posts: readonly Post[]) => (known.value = withPosts(known.value, posts))
  async function askAll(): Promise<void> {
    asks += 1
    const turn = asks
    try {
      for (;;) {
        const reply = await place.read(upTo)
        isOn.value = reply.isOn
        mayHide.value = reply.mayHide
        upTo = reply.upTo
        takeIn(reply.posts)
        if (!reply.isMore) break
      }
      await letArrive(turn)
      isRead.value = true
      isAway.value = false
    } catch {
      isAway.value = true
    }
  }
  /** What was said before these news were asked for, and does not wait to be sent, is among them. */
  async function letArrive(turn: number): Promise<void> {
    if (onItsWay.value.size === 0) return
    const unsent = new Set((await place.unsent()).map(({ postId }) => postId))
    change((ways) => {
      for (const [id, way] of ways)
        if (way.asks < turn && way.refused === null && !unsent.has(id)) ways.delete(id)
    })
  }
  function refresh(): Promise<void> {
    asking ??= askAll().finally(() => (asking = null))
    return asking
  }

  /** How many look at it now. */
  let watchers = 0
  let last = 0
  const timer = setInterval(() => {
    const every = watchers > 0 ? ASK_EVERY_MS : ASK_SELDOM_MS
    if (document.visibilityState === 'hidden' || nowMs() - last < every) return
    last = nowMs()
    void refresh()
  }, ASK_EVERY_MS / 2)
  onScopeDispose(() => clearInterval(timer))

  function show(saying: Saying): void {
    const before = onItsWay.value.get(saying.postId)?.post ?? byId(saying.postId)
    const post: Post = {
      id: saying.postId,
      sort: saying.sort,
      replyTo: saying.replyTo,
      partId: saying.partId,
      place: saying.place,
      words: saying.words,
      number: saying.number,
      range: saying.range,
      author: me,
      isMine: true,
      saidAt: before?.saidAt ?? saying.at,
      isGone: saying.isGone,
      isChanged: before !== undefined,
      isHidden: before?.isHidden ?? false,
      change: before?.change ?? 0,
    }
    change((ways) => ways.set(post.id, { post, refused: null, asks }))
  }
  const byId = (id: string) => known.value.find((post) => post.id === id)

  async function say(saying: Saying): Promise<void> {
    const post = await place.say(saying)
    if (post) takeIn([post])
    else show(saying)
  }
  const takenBack = shallowRef<Post | null>(null)

  return {
    /** All that is known, with what is on its way as it was said here. */
    posts: computed(() =>
      withPosts(
        known.value,
        [...onItsWay.value.values()].map(({ post }) => post),
      ),
    ),
    onItsWay,
    isOn,
    mayHide,
    isRead,
    isAway,
    refresh,
    show,
    /** Call while somebody looks; answers with how to stop. */
    watch(): () => void {
      watchers += 1
      void refresh()
      return () => (watchers -= 1)
    },
    say,
    /** Tells that something said here was not taken. */
    refuse(postId: string, message: string): void {
      const way = onItsWay.value.get(postId)
      if (way) change((ways) => ways.set(postId, { ...way, refused: message }))
    },
    /** What was taken back last; it can be put back. */
    takenBack,
    async takeBack(post: Post): Promise<void> {
      await say(sayingOf(post, { isGone: true }))
      takenBack.value = post
    },
    async putBack(): Promise<void> {
      if (takenBack.value) await say(sayingOf(takenBack.value, { isGone: false }))
      takenBack.value = null
    },
    forget: (postId: string) => change((ways) => ways.delete(postId)),
    async hide(postId: string, isHidden: boolean): Promise<void> {
      takeIn([await place.hide(postId, isHidden)])
    },
    newId: () => place.newId(),
    teaches: me.teaches,
  }
}

/** A newer word on what was said. */
export function sayingOf(
  { id: postId, sort, replyTo, partId, place, words, number, range }: Post,
  more: Partial<Pick<Saying, 'words' | 'number' | 'isGone'>>,
): Saying {
  const at = isoTime(nowMs())
  return { postId, sort, replyTo, partId, place, words, number, range, isGone: false, at, ...more }
}
