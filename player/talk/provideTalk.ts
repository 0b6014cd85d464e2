// The talk of the class, handed to whatever part a learner is in.
import {
  computed,
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
import type { Host, HostState, OpenedLesson } from '../hosts/Host.ts'
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

/** Prepares the talk; `begin` opens it once the lesson is, where the class talks about it. */
export function provideTalk(host: Host, hostState: Readonly<Ref<HostState>>, around: Surroundings) {
  const classTalk = shallowRef<ClassTalk | null>(null)
  provide(CLASS_TALK, classTalk)
  /** Which post each record was about that was sent from here. */
  const sent = new Map<string, string>()

  function record(saying: Saying): void {
    const id = host.newId()
    sent.set(id, saying.postId)
    host.record({ kind: 'say', id, ...saying })
    void host.flush()
  }
  return {
    begin(opened: OpenedLesson): void {
      const { talk: on } = host
      if (!on || !opened.assignment?.talks) return
      const talk = useTalk(
        {
          ...{ read: on.read, hide: on.hide, newId: host.newId, unsent: on.unsent },
          say(saying) {
            record(saying)
            return Promise.resolve(null)
          },
        },
        { id: opened.learnerId ?? '', name: opened.learnerName, teaches: false },
      )
      void on.unsent().then((records) => {
        for (const { kind: _, id, ...saying } of records) {
          sent.set(id, saying.postId)
          talk.show(saying)
        }
      })
      watch(
        () => hostState.value.refused,
        (refused) => {
          for (const { id, message } of refused)
            if (sent.has(id)) talk.refuse(sent.get(id)!, message)
        },
      )
      // What was sent is read back soon, so that it does not look as if it waited.
      watch(
        () => hostState.value.waiting,
        (waiting) => waiting === 0 && talk.onItsWay.value.size > 0 && void talk.refresh(),
      )
      void talk.refresh()
      classTalk.value = { talk, ...seenHere(talk, opened.seed), ...around, draftKey: keyOf(opened) }
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
