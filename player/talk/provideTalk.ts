// The talk of the class, handed to whatever part a learner is in.
import {
  computed,
  effectScope,
  inject,
  provide,
  ref,
  shallowRef,
  watch,
  type InjectionKey,
  type Ref,
  type ShallowRef,
} from 'vue'
import type { Saying } from '@fernbrake/core/contract'
import type { Post } from '@fernbrake/core/talk'
import type { Host, HostState, HostTalk, OpenedLesson } from '../hosts/Host.ts'
import { keepHere, readKept } from '../session/onDevice.ts'
import { useTalk, type Talk } from './useTalk.ts'

export interface ClassTalk {
  talk: Talk
  /** How many posts of others have come since the talk was looked at last. */
  unseen: Readonly<Ref<number>>
  /** Call while somebody looks; answers with how to stop. */
  look(): () => void
  /** Opens another part of the lesson, at a moment of it if it is a film. */
  goTo(post: Post): void
  mayOpen(partId: string): boolean
  /** The parts of the lesson in their order. */
  parts: Readonly<Ref<readonly { id: string; title: string }[]>>
  /** Under which what is being written is held on this device; null where nothing may stay behind. */
  draftKey: string | null
}

const CLASS_TALK: InjectionKey<Readonly<ShallowRef<ClassTalk | null>>> = Symbol('class talk')
/** Null where the class does not talk about the lesson. */
export const useClassTalk = () => inject(CLASS_TALK, shallowRef(null))

type Surroundings = Pick<ClassTalk, 'goTo' | 'mayOpen' | 'parts'>

/** Prepares the talk for all parts; `begin` opens it once the lesson is, where the class talks about it. */
export function provideTalk(host: Host, hostState: Readonly<Ref<HostState>>, around: Surroundings) {
  const { classTalk, begin } = prepareTalk(host, hostState, around)
  provide(CLASS_TALK, classTalk)
  return { begin }
}

export function prepareTalk(host: Host, hostState: Readonly<Ref<HostState>>, around: Surroundings) {
  const classTalk = shallowRef<ClassTalk | null>(null)
  // A lesson is open only after a while, when whoever prepares this has long been set up; it ends with them all the same.
  const scope = effectScope()
  /** Which post each record was about that was sent from here. */
  const sent = new Map<string, string>()

  function record(saying: Saying): void {
    const id = host.newId()
    sent.set(id, saying.postId)
    host.record({ kind: 'say', id, ...saying })
    void host.flush()
  }
  function open(on: HostTalk, opened: OpenedLesson): ClassTalk {
    const me = { id: opened.learnerId ?? '', name: opened.learnerName, teaches: false }
    const say = (saying: Saying) => Promise.resolve(record(saying)).then(() => null)
    const talk = useTalk({ ...on, newId: () => host.newId(), say, unsent: () => on.unsent() }, me)
    void on.unsent().then((records) => {
      for (const { kind: _, id, ...saying } of records) {
        sent.set(id, saying.postId)
        talk.show(saying)
      }
    })
    watch(
      () => hostState.value.refused,
      (refused) => {
        for (const { id, message } of refused) if (sent.has(id)) talk.refuse(sent.get(id)!, message)
      },
    )
    // What was sent is read back soon, so that it does not look as if it waited.
    watch(
      () => hostState.value.waiting,
      (waiting) => waiting === 0 && talk.onItsWay.value.size > 0 && void talk.refresh(),
    )
    void talk.refresh()
    return { talk, ...seenHere(talk, opened.seed), ...around, draftKey: keyOf(opened) }
  }
  return {
    classTalk,
    begin(opened: OpenedLesson): void {
      const { talk: on } = host
      if (on && opened.assignment?.talks)
        classTalk.value = scope.run(() => open(on, opened)) ?? null
    },
  }
}

const keyOf = ({ seed, keepsDrafts = true }: OpenedLesson) =>
  keepsDrafts ? `fernbrake-talk ${seed}` : null

/** What was seen is remembered on this device. */
function seenHere(talk: Talk, seed: string): Pick<ClassTalk, 'unseen' | 'look'> {
  const key = `fernbrake-talk-seen ${seed}`
  const kept = readKept(key)
  const seenUpTo = ref(typeof kept === 'number' ? kept : 0)
  const looking = ref(0)
  const newest = computed(() => Math.max(0, ...talk.posts.value.map(({ change }) => change)))
  watch([looking, newest], () => {
    if (looking.value === 0 || newest.value <= seenUpTo.value) return
    seenUpTo.value = newest.value
    keepHere(key, newest.value)
  })
  const isNew = ({ isMine, change, words, number }: Post) =>
    !isMine && change > seenUpTo.value && (words !== '' || number !== null)
  return {
    unseen: computed(() => talk.posts.value.filter(isNew).length),
    look() {
      looking.value += 1
      const stop = talk.watch()
      return () => {
        looking.value -= 1
        stop()
      }
    },
  }
}
